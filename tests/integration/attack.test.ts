/** What is sent to stop the server, or to get at what is not the sender's. */
import { connect } from 'node:net';
import sharp from 'sharp';
import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { computations } from '../../src/core/compute.ts';
import { soonMs, useServer } from './server.ts';

const server = useServer('attack');

const unknownKeys = (bytes: number) => {
	const one = (i: number) => `"key${i}":1`;
	const parts: string[] = [];
	for (let size = 0, i = 0; size < bytes; i++) size += parts.push(one(i)) && one(i).length + 1;
	return `{${parts.join(',')}}`;
};

const computation = (name: string, change: object) => ({
	...computations.find((one) => one.name === name)!.example,
	...change
});

describe('long work', () => {
	/** Ten thousand are about the most that is taken at once. */
	const sweep = (samples: number) => ({
		computation: 'corner-sweep',
		input: computation('corner-sweep', { bumpMm: Array.from({ length: 40 }, (_, i) => i) }),
		uncertainty: { staticCamberDeg: 0.1 },
		results: ['rows.0.camberDeg'],
		samples
	});

	it('leaves the server free to answer, and a second person their turn', async () => {
		const [lead, technician] = [await server.signIn('lead'), await server.signIn('tech')];
		const { worst, result } = await server.worstHealthDuring(async () => {
			const long = [1, 2].map(() => server.ask('POST', '/compute/monte-carlo', sweep(3_000), lead));
			const short = server.ask(
				'POST',
				'/compute/castle-nut',
				computation('castle-nut', {}),
				technician
			);
			const first = await Promise.race([
				short.then(() => 'short'),
				...long.map((one) => one.then(() => 'long'))
			]);
			return { first, statuses: (await Promise.all(long)).map(({ status }) => status) };
		});
		expect(result).toEqual({ first: 'short', statuses: [200, 200] });
		expect(worst).toBeLessThan(soonMs);
	});

	it('whose asker has left is stopped: the next of the same person is answered', async () => {
		const lead = await server.signIn('lead');
		const leave = new AbortController();
		const left = fetch(server.url('/compute/monte-carlo'), {
			method: 'POST',
			headers: { 'content-type': 'application/json', ...lead },
			body: JSON.stringify(sweep(10_000)),
			signal: leave.signal
		}).catch(() => 'left');
		// Another one’s answer says that the first has begun.
		const other = await server.signIn('tech');
		await server.ask('POST', '/compute/castle-nut', computation('castle-nut', {}), other);
		leave.abort();
		expect(await left).toBe('left');
		const short = computation('castle-nut', {});
		expect((await server.ask('POST', '/compute/castle-nut', short, lead)).status).toBe(200);
	});
});

describe('refusals are cheap', () => {
	it('megabytes of unknown keys, from a stranger', async () => {
		const { worst, result } = await server.worstHealthDuring(() =>
			server.ask('POST', '/session', unknownKeys(7.7e6))
		);
		expect(result).toMatchObject({ status: 413, body: { title: expect.stringContaining('2 KB') } });
		expect(worst).toBeLessThan(soonMs);
	});

	it('and where megabytes are taken', async () => {
		for (const body of [unknownKeys(7.7e6), '['.repeat(7.7e6), `{"job":${'{"a":'.repeat(1e6)}`]) {
			const { worst, result } = await server.worstHealthDuring(() =>
				server.ask('POST', '/verify', body)
			);
			expect(result.status).toBe(400);
			expect(worst).toBeLessThan(soonMs);
		}
	});

	it('many wrong values: one is named, not thousands', async () => {
		const lead = await server.signIn('lead');
		const entries = Array.from({ length: 150_000 }, () => ({ wrong: 1 }));
		const { worst, result } = await server.worstHealthDuring(() =>
			server.ask('POST', '/import', { format: 'vane-set/job', formatVersion: 2, entries }, lead)
		);
		expect(result.status).toBe(422);
		expect(result.body.faults!.length).toBeLessThan(3);
		expect(worst).toBeLessThan(soonMs);
	});

	it('half a megabyte at the device port, from a stranger', async () => {
		const { worst, result } = await server.worstHealthDuring(
			() =>
				new Promise<string>((done) => {
					let said = '';
					const socket = connect(server.settings.devicePort, '127.0.0.1');
					socket.setEncoding('utf8').on('data', (text: string) => (said += text));
					socket.on('error', () => undefined).on('close', () => done(said));
					socket.write(`${unknownKeys(510_000)}\n`);
				})
		);
		expect(result).toContain('a line is at most 1024 bytes');
		expect(worst).toBeLessThan(soonMs);
	});
});

describe('one id', () => {
	const png = async () =>
		`data:image/png;base64,${(
			await sharp({
				create: {
					width: 40,
					height: 30,
					channels: 3,
					background: { r: Math.floor(Math.random() * 256), g: 90, b: 40 }
				}
			})
				.png()
				.toBuffer()
		).toString('base64')}`;
	const height = (mm: string) => ({
		kind: 'reading',
		subject: 'FL',
		data: { phase: 'before', school: 'hub-to-arch', height: mm },
		enteredAt
	});
	const enteredAt = new Date().toISOString();
	const calibrated = (read: string) => ({
		calibratedOn: '2026-01-10',
		note: '',
		readings: ['20', '120', '200'].flatMap((set) =>
			Array.from({ length: 5 }, () => ({ set, read: set === '20' ? read : set }))
		)
	});

	it('is one thing for every route that makes something: the same again is the same, anything else is refused', async () => {
		const lead = await server.signIn('lead');
		const car = server.shop.vehicleInput() as unknown as { id: string };
		const { id: vehicleId } = car;
		const vehicle = {
			plate: 'ONE 001',
			make: 'Halden',
			model: 'Pike',
			wheelbase: '2640',
			front: { layout: 'macpherson-front', track: '1540' },
			rear: { layout: 'trailing-arm-rear', track: '1540' }
		};
		const [wrenchId, jobId, otherJob] = [uuidv7(), uuidv7(), await server.shop.job()];
		const rod = { kind: 'click', lowest: '20', highest: '220' };
		const picture = await png();
		const photo = { corner: null, subject: 'car', note: 'rust', takenAt: enteredAt };
		const routes: [path: string, id: string, first: object, other: object][] = [
			[
				'/people',
				uuidv7(),
				{ handle: 'one', name: 'One', role: 'lead', secret: '471926' },
				{ handle: 'two', name: 'Two', role: 'lead', secret: '471926' }
			],
			['/vehicles', vehicleId, vehicle, { ...vehicle, plate: 'TWO 002' }],
			['/wrenches', wrenchId, { ...rod, name: 'One' }, { ...rod, name: 'Two' }],
			[`/wrenches/${wrenchId}/calibrations`, uuidv7(), calibrated('20'), calibrated('21')],
			[
				'/jobs',
				jobId,
				{ vehicleId, complaint: 'Knock', corners: ['FL'] },
				{ vehicleId, complaint: 'Rattle', corners: ['FL'] }
			],
			[`/jobs/${jobId}/entries`, uuidv7(), height('365'), height('366')],
			[
				`/jobs/${jobId}/photos`,
				uuidv7(),
				{ ...photo, image: picture },
				{ ...photo, image: await png() }
			]
		];
		const used: string[] = [];
		for (const [path, id, first, other] of routes) {
			for (let i = 0; i < 2; i++) {
				const { status, body } = await server.ask('POST', path, { id, ...first }, lead);
				expect({ path, i, status, faults: body.faults }).toEqual({ path, i, status: 201 });
			}
			const refused = await server.ask('POST', path, { id, ...other }, lead);
			expect(refused, path).toMatchObject({ status: 422, body: { faults: [{ field: 'id' }] } });
			const braced = await server.ask('POST', path, { ...first, id: `{${id}}` }, lead);
			expect(braced, path).toMatchObject({ status: 422, body: { faults: [{ field: 'id' }] } });
			used.push(id);
		}
		// Of another kind, and in another job.
		const [entry, kept] = [used.at(-2)!, used.at(-1)!];
		for (const [path, id, body] of [
			[`/jobs/${otherJob}/entries`, entry, height('365')],
			[`/jobs/${jobId}/photos`, entry, { ...photo, image: picture }],
			[`/jobs/${otherJob}/photos`, kept, { ...photo, image: picture }],
			[`/jobs/${jobId}/entries`, kept, height('365')],
			['/jobs', entry, { vehicleId, complaint: 'Knock', corners: ['FL'] }],
			['/devices', wrenchId, { name: 'Box', kind: 'wrench', wrenchId }]
		] as const) {
			const { status, body: said } = await server.ask('POST', path, { id, ...body }, lead);
			if (path === '/devices') expect(status).toBe(201);
			else
				expect({ path, status, said }).toMatchObject({
					status: 422,
					said: { faults: [{ field: 'id' }] }
				});
		}
		const again = await server.ask(
			'POST',
			'/devices',
			{ id: wrenchId, name: 'Other', kind: 'wrench', wrenchId },
			lead
		);
		expect(again).toMatchObject({ status: 422, body: { faults: [{ field: 'id' }] } });
	});

	it('said of two things at the same moment is one of them', async () => {
		const technician = await server.signIn('tech');
		const [one, two] = [await server.shop.job(), await server.shop.job()];
		for (let round = 0; round < 10; round++) {
			const id = uuidv7();
			const statuses = await Promise.all(
				[one, two, one, two].map(async (job, i) => {
					const said = { id, ...height(String(360 + (i % 2))) };
					return (await server.ask('POST', `/jobs/${job}/entries`, said, technician)).status;
				})
			);
			expect(statuses.sort()).toEqual([201, 201, 422, 422]);
		}
	});
});
