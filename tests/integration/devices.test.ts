import fc from 'fast-check';
import { connect, type AddressInfo, type Server } from 'node:net';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { LineClient } from '../../devices/line-client.ts';
import { behaviours, type Behaviour } from '../../devices/joint-model.ts';
import { StandIns } from '../../devices/stand-ins.ts';
import { viewJob } from '../../src/core/job/view.ts';
import { placeSchema, taskSchema } from '../../src/lib/schema/device.ts';
import { diskFull } from '../../src/lib/server/db/trouble.ts';
import { findDevice, listHeld, listReadingsOf, setTask } from '../../src/lib/server/db/devices.ts';
import {
	addDevice,
	changeDevice,
	giveTask,
	type TaskInput
} from '../../src/lib/server/devices/devices.ts';
import { DeviceLines, openGateway } from '../../src/lib/server/devices/gateway.ts';
import {
	placeReading,
	setReadingAside,
	type Placement
} from '../../src/lib/server/devices/readings.ts';
import { checked, useShop } from './shop.ts';
import { until } from './until.ts';

const shop = useShop('devices');
const quiet = { info() {}, warn() {}, error() {} };
/** Full while a test says so. */
let full = false;
const disk = { hasSpace: () => (full ? Promise.reject(diskFull()) : Promise.resolve()) };
const load = (id: string) => shop.record(id);

let gateway: Server;
let lines: DeviceLines;
let port: number;
let told: string[];
async function open(at = 0): Promise<void> {
	lines = new DeviceLines();
	told = [];
	gateway = openGateway(
		{ db: shop.db, log: quiet, disk, lines, announce: (id) => told.push(id) },
		at,
		'127.0.0.1'
	);
	await new Promise((done) => gateway.once('listening', done));
	({ port } = gateway.address() as AddressInfo);
}
async function close(): Promise<void> {
	lines.endAll();
	await new Promise((done) => gateway.close(done));
}
beforeAll(() => open());
afterAll(close);

const kinds = ['wrench', 'height-gauge', 'wheel-scales'] as const;
async function device(kind: (typeof kinds)[number] = 'wrench') {
	const id = uuidv7();
	const { token } = await addDevice(shop.db, {
		id,
		name: `${kind} ${id.slice(-8)}`,
		kind,
		wrenchId: null
	});
	return { id, token };
}
const client = (token: string) => new LineClient({ host: '127.0.0.1', port, token });
const ask = async (deviceId: string, task: Record<string, unknown> | null) => {
	const input = task && checked<TaskInput>(taskSchema, task);
	const given = await giveTask(shop.db, deviceId, input, shop.technician.id);
	lines.tell(deviceId, given.task);
	return given.task;
};

/** A job with one joint of 100 N·m, a wrench that is asked for it, and the stand-in at the line. */
async function asked(of: 'rigid' | 'bonded-bush' = 'rigid') {
	const jobId = await shop.job();
	const job = await load(jobId);
	const joint = job.joints.find(({ kind }) => kind === of)!;
	const thread = { diameterMm: 14, pitchMm: 1.5, propertyClass: '10.9', condition: 'as-specified' };
	await shop.say(jobId, 'joint', joint.id, { torque: '100', torqueSource: 'maker', thread });
	const made = await Promise.all(kinds.map(device));
	const [wrench, gauge, scales] = made as [(typeof made)[0], (typeof made)[0], (typeof made)[0]];
	const standIns = new StandIns(
		{ host: '127.0.0.1', port },
		{ wrench: wrench.token, gauge: gauge.token, scales: scales.token }
	);
	await until(() => standIns.wrench.connected && standIns.gauge.connected, 'connected');
	const task = {
		jobId,
		kind: 'torque',
		jointId: joint.id,
		action: 0,
		carState: 'hanging'
	};
	await ask(wrench.id, task);
	await until(() => standIns.wrench.task, 'task told');
	return { jobId, jointId: joint.id, wrench, gauge, scales, standIns, task };
}

/** What came of one pull with the stand-in behaving in this way. */
async function pulled(behaviour: Behaviour) {
	const bench = await asked(behaviour === 'rubber' ? 'bonded-bush' : 'rigid');
	bench.standIns.pull(behaviour);
	await until(
		() => bench.standIns.wrench.waiting === 0 && bench.standIns.wrench.answers.length > 0,
		`answer to ${behaviour}`
	);
	const job = await load(bench.jobId);
	const answers = bench.standIns.wrench.answers.map(({ result, reason }) => ({ result, reason }));
	const readings = (await listReadingsOf(shop.db, bench.jobId, 20)).filter(
		({ deviceId }) => deviceId === bench.wrench.id
	);
	bench.standIns.end();
	return { ...bench, job, answers, readings };
}

describe('a wrench that reports by itself', () => {
	it('a good pull is placed at the joint that was asked for', async () => {
		const { job, readings, answers, jointId } = await pulled('good');
		expect(answers).toEqual([{ result: 'placed', reason: '' }]);
		expect(job.torques).toMatchObject([
			{ id: readings[0]!.id, jointId, deviceReadingId: readings[0]!.id, carState: 'hanging' }
		]);
		expect(readings[0]).toMatchObject({ state: 'placed', verdict: { verdict: 'accepted' } });
		expect(viewJob(job).standing.joints.get(jointId)).toMatchObject({ state: 'torqued' });
		// The wrench has its answer before the pages are told.
		await until(() => told.includes(job.id), 'pages told');
	});

	it.each([
		['early', 'Stopped early'],
		['over', 'Pulled too far'],
		['cross-thread', 'cross-threaded?'],
		['rubber', 'sleeve is not clamped'],
		['stick-slip', 'sticking thread'],
		['yield', 'stretches for good'],
		['wrong-joint', 'another joint than the one asked for'],
		['battery', 'broke off at']
	] as const)('%s is held for a person: %s', async (behaviour, why) => {
		const { job, readings, answers } = await pulled(behaviour);
		expect(answers).toEqual([{ result: 'held', reason: expect.stringContaining(why) }]);
		expect(readings).toMatchObject([{ state: 'held', rowId: null }]);
		expect(job.torques).toEqual([]);
	});

	it.each(['again', 'ratchet', 'pause', 'slackened'] as const)(
		'a sound joint pulled otherwise is placed all the same: %s',
		async (behaviour) => {
			const { answers } = await pulled(behaviour);
			expect(answers).toEqual([{ result: 'placed', reason: '' }]);
		}
	);

	it('reported twice is stored once', async () => {
		const bench = await asked();
		bench.standIns.pull('duplicate');
		await until(() => bench.standIns.wrench.answers.length === 2, 'two answers');
		expect(bench.standIns.wrench.answers.map(({ result }) => result)).toEqual([
			'placed',
			'duplicate'
		]);
		expect((await load(bench.jobId)).torques).toHaveLength(1);
		bench.standIns.end();
	});

	it('whose line drops before the answer sends again, and it is stored once', async () => {
		const { job, standIns } = await pulled('reconnect');
		expect(job.torques).toHaveLength(1);
		expect(standIns.wrench.waiting).toBe(0);
	});

	it('that reports out of order is asked to send again from where it broke', async () => {
		const bench = await asked();
		bench.standIns.pull('out-of-order');
		await until(
			() => bench.standIns.wrench.waiting === 0 && bench.standIns.wrench.answers.length >= 2,
			'both taken'
		);
		const rows = (await listReadingsOf(shop.db, bench.jobId, 20)).filter(
			({ deviceId }) => deviceId === bench.wrench.id
		);
		expect(rows.map(({ seq }) => seq).sort()).toEqual([1, 2]);
		expect((await findDevice(shop.db, bench.wrench.id))!.lastSeq).toBe(2);
		bench.standIns.end();
	});

	it('a question of a page that was closed long ago is no longer answered', async () => {
		const bench = await asked();
		const task = (await findDevice(shop.db, bench.wrench.id))!.task!;
		const askedAt = new Date(Date.now() - 16 * 60_000).toISOString();
		await setTask(shop.db, bench.wrench.id, { ...task, askedAt });
		bench.standIns.pull('good');
		await until(() => bench.standIns.wrench.answers.length, 'answer');
		expect(bench.standIns.wrench.answers[0]).toMatchObject({
			result: 'held',
			reason: 'was asked for long before, by a page that is closed'
		});
		expect((await load(bench.jobId)).torques).toEqual([]);
		bench.standIns.end();
	});

	it('the same question asked again keeps its id; another one is new', async () => {
		const bench = await asked();
		const again = await ask(bench.wrench.id, bench.task);
		expect(again!.id).toBe(bench.standIns.wrench.task!.id);
		const loaded = { ...bench.task, carState: 'loaded', method: 'on-wheels' };
		expect((await ask(bench.wrench.id, loaded))!.id).not.toBe(again!.id);
		bench.standIns.end();
	});

	it('has each way to behave covered here', () => {
		expect(Object.keys(behaviours).sort()).toEqual(
			[
				'good',
				'early',
				'over',
				'cross-thread',
				'rubber',
				'stick-slip',
				'yield',
				'again',
				'ratchet',
				'pause',
				'slackened',
				'wrong-joint',
				'battery',
				'duplicate',
				'reconnect',
				'out-of-order'
			].sort()
		);
	});

	it('many at once, with breaks, lose nothing and store nothing twice', async () => {
		const { id, token } = await device();
		const one = client(token);
		await until(() => one.connected, 'connected');
		for (let i = 0; i < 60; i++) {
			one.report({ kind: 'torque', torqueNm: 50 + i, complete: true });
			if (i % 17 === 0) one.drop();
			if (i % 11 === 0) one.repeat(i);
		}
		await until(() => one.waiting === 0, 'all acknowledged');
		const held = (await listHeld(shop.db, 500)).filter(({ deviceId }) => deviceId === id);
		expect(held.map(({ seq }) => seq).sort((a, b) => a - b)).toEqual(
			Array.from({ length: 60 }, (_, i) => i + 1)
		);
		one.end();
	});

	it('goes on where it was after the server was away', async () => {
		const bench = await asked();
		const at = port;
		await close();
		bench.standIns.pull('good');
		expect(bench.standIns.wrench.waiting).toBe(1);
		await open(at);
		await until(() => bench.standIns.wrench.waiting === 0, 'acknowledged');
		expect((await load(bench.jobId)).torques).toHaveLength(1);
		bench.standIns.end();
	});
});

describe('a held reading', () => {
	async function held() {
		const made = await pulled('early');
		return { ...made, reading: made.readings[0]! };
	}
	const place = (id: string, where: Record<string, unknown>) =>
		placeReading(shop.db, id, checked<Placement>(placeSchema, where), shop.technician);

	it('is placed by a person, once', async () => {
		const { reading, jobId, jointId } = await held();
		const where = { jobId, jointId, action: 0, carState: 'hanging' };
		const tries = await Promise.allSettled([
			place(reading.id, where),
			place(reading.id, where),
			place(reading.id, where)
		]);
		expect(tries.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
		expect((await load(jobId)).torques).toMatchObject([
			{ id: reading.id, deviceReadingId: reading.id }
		]);
	});

	it('is set aside with a reason and stays as it was sent', async () => {
		const { reading, jobId, jointId } = await held();
		const reason = 'pulled at the wrong bolt';
		const done = await setReadingAside(shop.db, reading.id, reason, shop.technician.id);
		expect(done).toMatchObject({ state: 'set-aside', reason, reading: reading.reading });
		await expect(
			place(reading.id, { jobId, jointId, action: 0, carState: 'hanging' })
		).rejects.toMatchObject({ status: 409, message: 'That reading is set aside already.' });
	});

	it('says what is missing to place it', async () => {
		const { reading, jobId } = await held();
		await expect(place(reading.id, { jobId })).rejects.toMatchObject({
			faults: [{ field: 'jointId' }]
		});
	});
});

describe('gauge and scales', () => {
	it('the gauge reads heights before, and loaded ones while rubber is set', async () => {
		const { jobId, gauge, standIns } = await asked();
		await ask(gauge.id, { jobId, kind: 'height', corner: 'FL', phase: 'before' });
		await until(() => standIns.gauge.task, 'task told');
		for (const mm of [364, 365, 366]) standIns.measure(mm);
		await until(() => standIns.gauge.answers.length === 3, 'three answers');
		expect(viewJob(await load(jobId)).corners.FL.before).toMatchObject({ n: 3, meanMm: 365 });
		await ask(gauge.id, { jobId, kind: 'loading', corner: 'FL', method: 'on-stands' });
		await until(() => standIns.gauge.task?.kind === 'loading', 'task told');
		standIns.measure(367.5);
		await until(() => standIns.gauge.answers.length === 4, 'answer');
		expect((await load(jobId)).loadings).toMatchObject([
			{ hubToArchMm: 367.5, method: 'on-stands', corner: 'FL' }
		]);
		standIns.end();
	});

	it('four loads are kept with the job', async () => {
		const { jobId, scales, standIns } = await asked();
		await ask(scales.id, { jobId, kind: 'loads' });
		await until(() => standIns.scales.task, 'task told');
		const loadsN = { FL: 3920, FR: 3870, RL: 2760, RR: 2810 };
		standIns.weigh(loadsN);
		await until(() => standIns.scales.answers.length, 'answer');
		const [reading] = (await listReadingsOf(shop.db, jobId, 5)).filter(
			(one) => one.reading.kind === 'loads'
		);
		expect(reading).toMatchObject({ state: 'placed', reading: { loadsN } });
		standIns.end();
	});

	it('a wrench is not asked for a height', async () => {
		const { jobId, wrench, standIns } = await asked();
		await expect(
			ask(wrench.id, { jobId, kind: 'height', corner: 'FL', phase: 'before' })
		).rejects.toMatchObject({ faults: [{ field: 'kind' }] });
		standIns.end();
	});
});

describe('the line', () => {
	/** Says these lines as they are; resolves to what comes back until the line ends or all is answered. */
	function say(...messages: (string | object)[]): Promise<Record<string, unknown>[]> {
		return new Promise((done) => {
			const socket = connect(port, '127.0.0.1');
			// Lines are answered in their order: after the answer to a last question there is nothing more.
			const lines = [...messages, { type: 'ping' }].map((message) =>
				typeof message === 'string' ? message : JSON.stringify(message)
			);
			const pings = lines.filter((line) => line === '{"type":"ping"}').length;
			let heard = '';
			const answers = () =>
				heard
					.split('\n')
					.slice(0, -1)
					.map((line) => JSON.parse(line) as Record<string, unknown>);
			socket.on('data', (chunk) => {
				heard += String(chunk);
				const said = answers();
				if (said.filter(({ type }) => type === 'pong').length < pings) return;
				socket.destroy();
				done(said.slice(0, -1));
			});
			socket.on('error', () => done(answers()));
			socket.on('close', () => done(answers()));
			for (const line of lines) socket.write(`${line}\n`);
		});
	}
	const hello = (token: string) => ({ type: 'hello', protocol: 1, token });
	const reading = (change: object) => ({
		type: 'reading',
		id: uuidv7(),
		seq: 1,
		takenAt: new Date().toISOString(),
		task: null,
		kind: 'torque',
		torqueNm: 50,
		complete: true,
		...change
	});

	it.each([
		['nonsense', 'not json at all'],
		['another type first', { type: 'reading' }],
		['an unknown token', { type: 'hello', protocol: 1, token: 'nobody-knows-me' }],
		['another protocol', { type: 'hello', protocol: 2, token: 'whatever-token' }],
		['an array', '[1,2]']
	])('%s before hello is refused with a reason', async (_, message) => {
		expect(await say(message)).toEqual([{ type: 'refused', reason: expect.any(String) }]);
	});

	it('a faulty reading is refused by its fields, and the next good one is taken', async () => {
		const { token } = await device();
		const answers = await say(
			hello(token),
			reading({ torqueNm: 'much' }),
			reading({ seq: 0 }),
			'{"type":',
			reading({})
		);
		expect(answers.map(({ type }) => type)).toEqual([
			'welcome',
			'refused',
			'refused',
			'refused',
			'ack'
		]);
		expect(answers[1]!.reason).toContain('torqueNm');
		expect(answers[2]!.reason).toContain('seq');
	});

	it('a number that skips one is not taken; a lost one is passed over when the device says so', async () => {
		const { id, token } = await device();
		const answers = await say(hello(token), reading({ seq: 3 }), { type: 'lost', seq: 1 });
		expect(answers.slice(1)).toEqual([
			{ type: 'resend', from: 1 },
			{ type: 'ack', seq: 1, result: 'lost' }
		]);
		expect((await findDevice(shop.db, id))!.lastSeq).toBe(1);
		expect(await say(hello(token), reading({ seq: 2 }), { type: 'ping' })).toMatchObject([
			{ type: 'welcome', lastSeq: 1 },
			{ type: 'ack', result: 'held' },
			{ type: 'pong' }
		]);
	});

	it('an endless line is ended, and the server goes on', async () => {
		const { token } = await device();
		const answers = await say(hello(token), 'x'.repeat(600_000));
		expect(answers.at(-1)).toMatchObject({ type: 'refused' });
		expect((await say(hello(token))).map(({ type }) => type)).toEqual(['welcome']);
	});

	it('whatever comes in, the server answers in words or ends the line, and goes on', async () => {
		const { token } = await device();
		await fc.assert(
			fc.asyncProperty(
				fc.array(fc.oneof(fc.string({ maxLength: 200 }), fc.json({ maxDepth: 3 })), {
					minLength: 1,
					maxLength: 6
				}),
				async (rubbish) => {
					const said = rubbish.map((line) => line.replace(/[\r\n\u2028\u2029]/g, ' '));
					const [welcome, ...answers] = await say(hello(token), ...said, { type: 'ping' });
					expect(welcome).toMatchObject({ type: 'welcome' });
					expect(answers.at(-1)).toEqual({ type: 'pong' });
					for (const answer of answers.slice(0, -1))
						expect(answer).toMatchObject({ type: 'refused', reason: expect.any(String) });
				}
			),
			{ numRuns: 12 }
		);
	});

	it('while the disk is full nothing is taken; the device sends it once there is space', async () => {
		const bench = await asked();
		full = true;
		bench.standIns.pull('good');
		await until(() => bench.standIns.wrench.waiting > 0, 'pulled');
		await until(() => !bench.standIns.wrench.connected, 'line ended');
		expect((await load(bench.jobId)).torques).toEqual([]);
		expect((await findDevice(shop.db, bench.wrench.id))!.lastSeq).toBe(0);
		full = false;
		await until(() => bench.standIns.wrench.waiting === 0, 'sent');
		expect((await load(bench.jobId)).torques).toHaveLength(1);
		bench.standIns.end();
	});

	it('an id of any shape is answered, and another device’s is no duplicate', async () => {
		const [mine, other] = [await device(), await device()];
		const first = reading({ seq: 1 });
		expect(await say(hello(other.token), first)).toMatchObject([{}, { type: 'ack' }]);
		const id = `{${uuidv7()}}`;
		const answers = await say(
			hello(mine.token),
			first,
			reading({ seq: 1, id }),
			reading({ seq: 1, id: 7 }),
			reading({ seq: 1, id: { $ne: 1 } }),
			{ type: 'lost', seq: 1e300 },
			{ type: 'lost', seq: -1 },
			reading({ seq: 1 })
		);
		expect(answers.map(({ type, result }) => result ?? type)).toEqual([
			'welcome',
			...Array.from({ length: 5 }, () => 'refused'),
			'duplicate',
			'held'
		]);
		expect(answers[1]!.reason).toContain('another device’s reading');
	});

	it('a device that reads no answer is ended, and the server goes on', async () => {
		const { token } = await device();
		const deaf = connect(port, '127.0.0.1');
		deaf.on('error', () => undefined);
		deaf.pause();
		deaf.write(`${JSON.stringify(hello(token))}\n`);
		const ping = `${JSON.stringify({ type: 'nonsense', id: 'x'.repeat(400) })}\n`.repeat(100);
		let over = false;
		deaf.on('close', () => (over = true));
		const flood = () => {
			for (let i = 0; i < 20 && !over && deaf.writable; i++) deaf.write(ping);
			return over;
		};
		await until(flood, 'the end of a line nobody reads');
		expect((await say(hello((await device()).token))).map(({ type }) => type)).toEqual(['welcome']);
	});

	it('a device that was switched off is not listened to', async () => {
		const { id, token } = await device();
		await changeDevice(shop.db, id, false);
		expect(await say(hello(token))).toMatchObject([
			{ type: 'refused', reason: 'no active device of this shop has this token' }
		]);
	});

	it('the newest connection of a device counts', async () => {
		const { id, token } = await device();
		const [first, second] = [client(token), client(token)];
		await until(() => second.connected, 'second connected');
		expect(lines.connected(id)).toBe(true);
		first.end();
		second.end();
	});
});
