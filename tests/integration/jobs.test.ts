import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { oneTimePieces } from '../../src/core/fastener/hardware.ts';
import { actionsOf } from '../../src/core/fastener/joint-programme.ts';
import { corners } from '../../src/core/height/corners.ts';
import { metric } from '../../src/core/units/format.ts';
import type { BushSetBand } from '../../src/core/bush/band.ts';
import { readCommand } from '../../src/core/job/book/command.ts';
import { Job } from '../../src/core/job/book/job.ts';
import { knownFor } from '../../src/core/job/joints.ts';
import { viewJob } from '../../src/core/job/view.ts';
import { listSpecifications } from '../../src/lib/server/db/projections.ts';
import { findShop, updateShop } from '../../src/lib/server/db/shop.ts';
import { searchJobs } from '../../src/lib/server/jobs/lists.ts';
import { modelOf } from '../../src/lib/server/jobs/projections.ts';
import { changeVehicle, createVehicle, type VehicleInput } from '../../src/lib/server/vehicles.ts';
import { changePerson, createPerson } from '../../src/lib/server/people.ts';
import { useShop } from './shop.ts';

const shop = useShop('jobs');
const load = (id: string) => shop.record(id);
/** A change of the head, by a lead. */
const head = (id: string, data: object, more: object = {}) =>
	shop.say(id, 'head', 'car', data, { by: shop.lead, ...more });
const joint = (id: string, key: string, data: object) =>
	shop.say(id, 'joint', key, data, { by: shop.lead });
const target = (id: string, data: object) => shop.say(id, 'target', 'FL', data);

describe('opening a job', () => {
	it('brings the joints of the layout at each worked corner', async () => {
		const job = await load(await shop.job(['FL', 'RR']));
		expect(new Set(job.joints.map((joint) => joint.corner))).toEqual(new Set(['FL', 'RR']));
		expect(job.joints.find((joint) => joint.kind === 'bonded-bush')).toMatchObject({
			rule: 'ride-height',
			torqueNm: null
		});
		expect(job.number).toMatch(/^\d{4}-\d{4}$/);
	});

	it('gives each job its own number, also when many open at once', async () => {
		const ids = await Promise.all(Array.from({ length: 12 }, () => shop.job()));
		const numbers = await Promise.all(ids.map(async (id) => (await load(id)).number));
		expect(new Set(numbers).size).toBe(12);
	});

	it('is found by its technician, by the name they have today', async () => {
		const ids = [await shop.job(), await shop.job()];
		const { id, handle } = { id: uuidv7(), handle: `t${uuidv7().slice(-8)}` };
		await createPerson(shop.db, {
			id,
			handle,
			name: 'Orla Quill',
			role: 'technician',
			secret: '246813'
		});
		for (const jobId of ids) await head(jobId, { technicianId: id });
		const found = async (search: string) =>
			(await searchJobs(shop.db, { search })).open.map((line) => line.id).sort();
		expect(await found('orla quill')).toEqual([...ids].sort());
		await changePerson(shop.db, id, { name: 'Orla Fenwick' });
		expect(await found('fenw')).toEqual([...ids].sort());
		expect(await found('quill')).toEqual([]);
		const kept = await shop.projections(['job_words']);
		await shop.rebuild();
		expect(await shop.projections(['job_words'])).toEqual(kept);
	});

	it('is found by plate, owner, complaint and number, whatever signs are typed', async () => {
		const plate = `XQ ${uuidv7().slice(-4)}`.toUpperCase();
		const id = await shop.job(['FL'], { plate, owner: 'O’Malley 100%' });
		const { number } = await load(id);
		for (const search of [plate, plate.replace(' ', ''), 'o’malley', number, `knock ${plate}`]) {
			expect(
				(await searchJobs(shop.db, { search })).open.map((job) => job.id),
				search
			).toContain(id);
		}
		for (const search of ["'; DROP TABLE jobs; --", '%_%zz', '_nock', 'nock%']) {
			expect(await searchJobs(shop.db, { search }), search).toEqual({
				open: [],
				signed: [],
				more: false
			});
		}
	});
});

describe('heights', () => {
	it('keep what was typed and what it means', async () => {
		const id = await shop.job();
		await shop.reading(id, { height: '14 3/8 in' });
		expect((await load(id)).readings[0]).toMatchObject({ entered: '14 3/8 in', heightMm: 365.125 });
	});

	it('are stored once when sent twice', async () => {
		const id = await shop.job();
		const sent = { id: uuidv7(), takenAt: new Date().toISOString() };
		const answers = await Promise.all([1, 2, 3, 4].map(() => shop.reading(id, sent)));
		expect((await load(id)).readings).toHaveLength(1);
		expect(new Set(answers.map(({ hash }) => hash)).size).toBe(1);
		// Also when the job was signed since; with other words the key is refused.
		await shop.sign(id);
		expect((await shop.reading(id, sent)).hash).toBe(answers[0]!.hash);
		await expect(shop.reading(id, { ...sent, height: '366' })).rejects.toMatchObject({
			status: 422,
			faults: [{ field: 'id', message: 'belongs to another entry' }]
		});
	});

	it('lose none when two people write at once', async () => {
		const id = await shop.job();
		await Promise.all(
			Array.from({ length: 40 }, (_, i) =>
				shop.reading(id, { corner: corners[i % 4], height: String(360 + i) })
			)
		);
		const readings = (await load(id)).readings.map((reading) => reading.heightMm);
		expect(readings.sort()).toEqual(Array.from({ length: 40 }, (_, i) => 360 + i).sort());
	});

	it('are corrected and withdrawn by later rows', async () => {
		const id = await shop.job();
		const slip = await shop.reading(id, { height: '265' });
		const right = await shop.reading(id, { height: '365', correctsId: slip.id });
		expect(viewJob(await load(id)).readings.before.FL.map((r) => r.heightMm)).toEqual([365]);
		await shop.reading(id, { height: undefined, withdraw: true, correctsId: right.id });
		const job = await load(id);
		expect(viewJob(job).readings.before.FL).toEqual([]);
		expect(job.readings).toHaveLength(3);
	});

	it.each([
		[{ height: '9 m' }, 'height', 'cannot be a height hub to arch'],
		[{ height: '-365' }, 'height', 'cannot be a height'],
		[{ height: '365 Nm' }, 'height', 'is a unit of torque'],
		[{ height: '' }, 'height', 'nothing was entered'],
		[{ height: 'abc' }, 'height', 'is not a number'],
		[{ school: 'ground-to-arch', height: '680' }, 'school', 'another school is not mixed in'],
		[{ corner: 'XX' }, 'subject', 'must be one of'],
		[{ correctsId: uuidv7() }, 'corrects', 'is not a reading of this corner']
	])('refuse %o', async (change, field, words) => {
		const id = await shop.job();
		const refused = await Promise.resolve()
			.then(() => shop.reading(id, change))
			.catch((error) => error);
		expect(refused.faults).toContainEqual(
			expect.objectContaining({ field, message: expect.stringContaining(words) })
		);
		expect((await load(id)).readings).toEqual([]);
	});

	it('of another school judge no bush until their conversion is stated', async () => {
		const id = await shop.job();
		await head(id, { school: 'ground-to-arch' });
		await shop.reading(id, { school: 'ground-to-arch', height: '680' });
		const bush = (await load(id)).joints.find((joint) => joint.kind === 'bonded-bush')!;
		const tighten = () =>
			shop.torque(id, bush.id, { carState: 'loaded', method: 'on-wheels', hubToArch: '365' });
		await expect(tighten()).rejects.toMatchObject({ faults: [{ field: 'hubToArch' }] });
		await shop.say(id, 'offset', 'front', { offset: '-315 mm' });
		expect(await tighten()).toMatchObject({ targetHubToArchMm: 365, bush: { verdict: 'set' } });
	});

	it('fix the school once one is on record', async () => {
		const id = await shop.job();
		await shop.reading(id);
		await expect(head(id, { school: 'ground-to-sill' })).rejects.toMatchObject({ status: 422 });
	});
});

describe('torques', () => {
	async function withJoints() {
		const id = await shop.job();
		const { joints } = await load(id);
		const of = (kind: string) => joints.find((joint) => joint.kind === kind)!;
		return { id, bush: of('bonded-bush'), rigid: of('rigid'), wheel: of('wheel') };
	}
	const statusOf = async (id: string, jointId: string) =>
		viewJob(await load(id)).standing.joints.get(jointId);

	it('a bush torqued hanging is nipped and stays owed; loaded at the target it is set', async () => {
		const { id, bush } = await withJoints();
		await shop.torque(id, bush.id, { torque: '120' });
		expect(await statusOf(id, bush.id)).toMatchObject({ state: 'nipped', owed: true });
		await shop.torque(id, bush.id, {
			torque: '120',
			carState: 'loaded',
			method: 'jack-to-height',
			hubToArch: '14 3/8 in',
			loosenedFirst: true
		});
		expect(await statusOf(id, bush.id)).toMatchObject({ state: 'set', owed: false });
	});

	it('a bush set 60 mm too low in the arch is caught as wound up', async () => {
		const { id, bush } = await withJoints();
		const torque = await shop.torque(id, bush.id, {
			carState: 'loaded',
			method: 'on-stands',
			hubToArch: '425'
		});
		expect((torque.data as { bush: BushSetBand }).bush.twistDeg).toBeGreaterThan(8);
		expect((torque.data as { bush: BushSetBand }).bush.twistExpandedDeg).toBeGreaterThan(0);
		expect(await statusOf(id, bush.id)).toMatchObject({ state: 'again', owed: true });
	});

	it('is judged by the shop’s own limits', async () => {
		const current = (await findShop(shop.db))!;
		await updateShop(shop.db, { ...current, twistSetDeg: 12, twistAdvisedDeg: 20 });
		const { id, bush } = await withJoints();
		const torque = await shop.torque(id, bush.id, {
			carState: 'loaded',
			method: 'on-stands',
			hubToArch: '425'
		});
		expect((torque.data as { bush: BushSetBand }).bush.verdict).toBe('set');
		await updateShop(shop.db, { ...current, version: current.version + 1 });
	});

	it('are corrected by later rows, and withdrawn', async () => {
		const { id, rigid } = await withJoints();
		const slip = await shop.torque(id, rigid.id, { torque: '11' });
		const right = await shop.torque(id, rigid.id, { torque: '110', correctsId: slip.id });
		expect(viewJob(await load(id)).torques.get(rigid.id)!.torqueNm).toBe(110);
		await shop.torque(id, rigid.id, { torque: undefined, withdraw: true, correctsId: right.id });
		expect(await statusOf(id, rigid.id)).toMatchObject({ state: 'open', owed: true });
	});

	it.each([
		[{ torque: '5000' }, 'torque', 'outside what is possible'],
		[{ torque: '-10' }, 'torque', 'outside what is possible'],
		[{ torque: '25 mm' }, 'torque', 'is a unit of length'],
		[{ torque: undefined, seen: 'shoulder' }, 'seen', 'is recorded by its torque'],
		[{ carState: 'loaded' }, 'method', 'is required'],
		[{ carState: 'flying' }, 'carState', 'must be one of'],
		[{ hubToArch: '3 m' }, 'hubToArch', 'outside what is possible']
	])('refuse %o', async (change, field, words) => {
		const { id, rigid } = await withJoints();
		const refused = await Promise.resolve()
			.then(() => shop.torque(id, rigid.id, change))
			.catch((error) => error);
		expect(refused.faults).toContainEqual(
			expect.objectContaining({ field, message: expect.stringContaining(words) })
		);
	});

	it('a bush cannot be set loaded without a reading', async () => {
		const { id, bush } = await withJoints();
		await expect(
			shop.torque(id, bush.id, { carState: 'loaded', method: 'on-wheels' })
		).rejects.toMatchObject({ faults: [{ field: 'hubToArch' }] });
	});
});

describe('two people on one job', () => {
	it('who change one thing, neither knowing of the other, are both kept and owe a look', async () => {
		const id = await shop.job();
		const { seq } = await load(id);
		await head(id, { complaint: 'Clunk on braking' }, { seen: seq });
		const [mine] = await head(id, { complaint: 'Rattle' }, { by: shop.technician, seen: seq });
		const job = await load(id);
		expect(job.complaint).toBe('Rattle');
		expect(job.looks).toMatchObject([
			{ kind: 'head', subject: 'complaint', entries: [{}, { id: mine!.id }] }
		]);
		expect(viewJob(job).standing.owed.map(({ text }) => text)).toContain(
			'Person lead and Person tech said different things: say which counts'
		);
		// A person says which counts: it is said again, by somebody who has seen both.
		await shop.say(id, 'head', 'complaint', undefined, {
			by: shop.lead,
			again: job.looks[0]!.entries[0]!.id
		});
		expect(await load(id)).toMatchObject({ complaint: 'Clunk on braking', looks: [] });
	});

	it('who say the same, or of different things, owe nothing', async () => {
		const id = await shop.job();
		const { seq } = await load(id);
		await head(id, { complaint: 'Rattle' }, { seen: seq });
		await head(id, { complaint: 'Rattle' }, { by: shop.technician, seen: seq });
		await head(id, { odometer: '84000 km' }, { by: shop.technician, seen: seq });
		expect(await load(id)).toMatchObject({ complaint: 'Rattle', odometerKm: 84_000, looks: [] });
	});

	it('of whom one had seen the other’s change, owe nothing; nor does one tablet that was quick', async () => {
		const id = await shop.job();
		const { seq } = await load(id);
		await head(id, { complaint: 'Rattle' }, { seen: seq, device: 'tablet-1' });
		await head(id, { complaint: 'Rattles' }, { seen: seq, device: 'tablet-1' });
		await head(id, { complaint: 'Rattles left' }, { by: shop.technician, seen: seq + 2 });
		expect((await load(id)).looks).toEqual([]);
	});

	it('who plan differently owe one look, and what counts again is followed by its joints', async () => {
		const id = await shop.job(['FL', 'FR']);
		const { seq } = await load(id);
		const plan = (damper: boolean, by: typeof shop.lead) =>
			shop.say(id, 'scope', 'front', { damper, spring: false, bushes: false }, { by, seen: seq });
		const [whole] = await plan(true, shop.lead);
		const joints = (await load(id)).joints.map(loose);
		const [nothing] = await plan(false, shop.technician);
		const job = await load(id);
		expect(job.joints.map(loose)).not.toEqual(joints);
		expect(job.looks).toMatchObject([
			{ kind: 'scope', entries: [{ id: whole!.id }, { id: nothing!.id }] }
		]);
		await shop.say(id, 'scope', 'front', undefined, { again: whole!.id });
		const after = await load(id);
		expect([after.looks, after.joints.map(loose)]).toEqual([[], joints]);
	});

	it('cannot say again what would be refused now', async () => {
		const id = await shop.job(['FL', 'FR']);
		const one = (await load(id)).joints.find(
			({ corner, kind }) => corner === 'FR' && kind === 'rigid'
		)!;
		const [removed] = await joint(id, one.id, { remove: true });
		await shop.say(id, 'joint', one.id, undefined, {
			again: (await load(id)).entries.find(
				({ kind, subject }) => kind === 'joint' && subject === one.id
			)!.id
		});
		expect((await load(id)).joints.map(({ id: key }) => key)).toContain(one.id);
		const [front] = await head(id, { corners: ['FL'] }).catch(() => []);
		await head(id, { corners: ['FL', 'FR'] });
		const again = (await load(id)).joints.find(
			({ corner, kind }) => corner === 'FR' && kind === 'rigid'
		)!;
		await shop.torque(id, again.id);
		await expect(
			shop.say(id, 'head', 'corners', undefined, { by: shop.lead, again: front!.id })
		).rejects.toMatchObject({ status: 422, faults: [{ field: 'corners' }] });
		await expect(
			shop.say(id, 'joint', one.id, undefined, { by: shop.lead, again: removed!.id })
		).rejects.toMatchObject({ status: 422 });
	});

	it('of ten changes at once none is lost', async () => {
		const id = await shop.job();
		const { seq } = await load(id);
		await Promise.all(
			Array.from({ length: 10 }, (_, i) =>
				head(id, { complaint: `Complaint ${i}` }, { seen: seq, device: `tablet-${i}` })
			)
		);
		const job = await load(id);
		expect(job.seq).toBe(seq + 10);
		expect(job.looks[0]!.entries).toHaveLength(10);
	});

	it('a reading is taken whatever was changed meanwhile', async () => {
		const id = await shop.job();
		await Promise.all([head(id, { complaint: 'Rattle' }), shop.reading(id)]);
		expect(await load(id)).toMatchObject({ complaint: 'Rattle', readings: [{ heightMm: 365 }] });
	});
});

/** Whether the plan undoes it. */
const loose = ({ loosened }: { loosened: boolean }) => loosened;

describe('joints', () => {
	it('can be added, specified and removed until something is recorded on them', async () => {
		const id = await shop.job();
		const key = uuidv7();
		await joint(id, key, {
			corner: 'FL',
			name: 'Subframe bolt',
			kind: 'rigid',
			rule: 'any-time'
		});
		await joint(id, key, { torque: '90 N·m', torqueSource: 'estimated' });
		expect((await load(id)).joints.find((joint) => joint.id === key)).toMatchObject({
			torqueNm: 90,
			torqueSource: 'estimated'
		});
		await shop.torque(id, key, { torque: '90' });
		await expect(joint(id, key, { remove: true })).rejects.toMatchObject({ status: 422 });
	});

	it('are renamed in name only: plan, order of work, twin and what is known of the car go by their key', async () => {
		const id = await shop.job(['FL', 'FR']);
		const before = await load(id);
		const arm = before.joints.find((one) => one.corner === 'FL' && one.kind === 'bonded-bush')!;
		const order = (record: typeof before) =>
			new Job({ ...record, people: [] }, record.entries).work.order.steps.map((step) => step.id);
		await shop.say(id, 'scope', 'front', { damper: true, spring: false, bushes: true });
		const [planned, loosened] = [order(await load(id)), (await load(id)).joints.map(loose)];
		await joint(id, arm.id, { name: 'Querlenker vorn', torque: '110', torqueSource: 'maker' });
		const after = await load(id);
		const renamed = after.joints.find((one) => one.id === arm.id)!;
		expect(renamed).toMatchObject({ name: 'Querlenker vorn', key: arm.key, place: arm.place });
		expect([order(after), after.joints.map(loose)]).toEqual([planned, loosened]);
		// Said anew, the plan still finds it.
		await shop.say(id, 'scope', 'front', { damper: false, spring: false, bushes: false });
		await shop.say(id, 'scope', 'front', { damper: true, spring: false, bushes: true });
		expect((await load(id)).joints.map(loose)).toEqual(loosened);
		const { vehicle } = after;
		const layouts = [vehicle.axles.front.layout];
		const known = await listSpecifications(shop.db, {
			vehicleId: vehicle.id,
			model: modelOf(vehicle),
			layouts
		});
		expect(knownFor(arm, vehicle, known, 'another job')).toMatchObject({
			scope: 'car',
			torqueNm: 110
		});
		expect(knownFor(arm, vehicle, known, after.number)).toBeUndefined();
		expect(knownFor({ ...arm, corner: 'RL' }, vehicle, known, 'another job')).toBeUndefined();
	});

	it('what a model was last torqued to is kept by year, as the year was known when it was said', async () => {
		const id = await shop.job();
		const { vehicle, joints } = await load(id);
		const arm = joints.find((one) => one.kind === 'bonded-bush')!;
		const saying = async (modelYear: number, torque: string) => {
			const { id: carId, plate, make, version } = (await load(id)).vehicle;
			const input = { ...shop.vehicleInput({ plate, make, model: 'Yearling' }), modelYear };
			const change = { ...(input as VehicleInput), id: carId, version };
			await changeVehicle(shop.db, carId, change, shop.lead);
			await joint(id, arm.id, { torque, torqueSource: 'maker' });
		};
		await saying(2009, '90');
		await saying(2015, '110');
		const { make } = vehicle;
		const layouts = [vehicle.axles.front.layout];
		const list = () =>
			listSpecifications(shop.db, {
				vehicleId: uuidv7(),
				model: modelOf({ make, model: 'Yearling' }),
				layouts
			});
		const known = (await list()).map(({ modelYear, torqueNm }) => [modelYear, torqueNm]);
		expect(known).toEqual([
			[2009, 90],
			[2015, 110]
		]);
		const kept = await shop.projections(['specifications']);
		await shop.rebuild();
		expect(await shop.projections(['specifications'])).toEqual(kept);
	});

	it('a torque needs its source, and rubber always waits for ride height', async () => {
		const id = await shop.job();
		const { joints } = await load(id);
		const bush = joints.find((joint) => joint.kind === 'bonded-bush')!;
		await expect(joint(id, bush.id, { torque: '90 N·m' })).rejects.toMatchObject({
			faults: [{ field: 'torqueSource' }]
		});
		await expect(joint(id, bush.id, { rule: 'any-time' })).rejects.toMatchObject({
			faults: [{ field: 'rule' }]
		});
	});

	it('a corner with torques on record is not dropped; one without is, with its joints', async () => {
		const id = await shop.job(['FL', 'FR']);
		const { joints } = await load(id);
		await shop.torque(
			id,
			joints.find((joint) => joint.corner === 'FL' && joint.kind === 'rigid')!.id
		);
		await expect(head(id, { corners: ['FR'] })).rejects.toMatchObject({ status: 422 });
		await head(id, { corners: ['FL', 'RL'] });
		expect(new Set((await load(id)).joints.map((joint) => joint.corner))).toEqual(
			new Set(['FL', 'RL'])
		);
	});
});

describe('targets', () => {
	const spring = {
		sprungLoad: '3600 N',
		motionRatio: 0.9,
		oldRate: '25 N/mm',
		oldFreeLength: '340 mm',
		newRate: '25 N/mm',
		newFreeLength: '349 mm',
		seatChange: '0 mm',
		settling: '4 mm'
	};
	const predict = (id: string, change: object = {}) =>
		target(id, { source: 'predicted', prediction: { ...spring, ...change } });

	it('are predicted from the new spring and the height before, and keep what they rest on', async () => {
		const id = await shop.job();
		await expect(predict(id)).rejects.toMatchObject({
			faults: [{ field: 'source', message: expect.stringContaining('height before') }]
		});
		for (const height of ['352', '353', '352']) await shop.reading(id, { height });
		await predict(id);
		const job = await load(id);
		// The same rate, 9 mm longer: up by 9 over the motion ratio, down by the settling.
		const before = (352 + 353 + 352) / 3;
		expect(viewJob(job).corners.FL.target).toMatchObject({
			heightMm: expect.closeTo(before + 9 / 0.9 - 4, 6),
			source: 'predicted',
			expandedMm: expect.closeTo(job.targets[0]!.prediction!.expandedMm, 9)
		});
		expect(job.targets[0]!.prediction).toMatchObject({
			typed: { ...spring, motionRatio: '0.9' },
			input: { sprungLoadN: 3600, newSpring: { rateNPerMm: 25, freeLengthMm: 349 } }
		});
		await expect(predict(id, { newRate: '5 N/mm' })).rejects.toMatchObject({
			faults: [{ field: 'prediction.newRate', message: expect.stringContaining('cannot carry') }]
		});
	});

	it('are not both typed and predicted', () => {
		const body = { source: 'predicted' };
		const refused = (data: object) => {
			const command = {
				id: uuidv7(),
				kind: 'target',
				subject: 'FL',
				data,
				enteredAt: new Date().toISOString()
			};
			const result = readCommand(command, { units: metric, now: Date.now() });
			return result.ok ? [] : result.faults.map(({ field }) => field);
		};
		expect(refused(body)).toEqual(['prediction']);
		const typed = { ...body, source: 'maker', height: '360' };
		expect(refused(typed)).toEqual([]);
		expect(refused({ ...typed, prediction: spring })).toEqual(['prediction']);
		expect(refused({ ...body, prediction: spring, height: '360' })).toEqual(['height']);
	});

	it('are the maker’s, a chosen one, or the height before', async () => {
		const id = await shop.job();
		const now = async () => viewJob(await load(id)).corners.FL.target;
		expect(await now()).toMatchObject({ heightMm: 365, source: 'maker' });
		await target(id, { height: '340', source: 'chosen' });
		expect(await now()).toMatchObject({ heightMm: 340, source: 'chosen' });
		await target(id, { height: null, source: 'chosen' });
		expect(await now()).toMatchObject({ heightMm: 365, source: 'maker' });
		await expect(target(id, { height: '9000', source: 'chosen' })).rejects.toMatchObject({
			status: 422
		});
	});
});

describe('signing', () => {
	const sign = (id: string) => shop.say(id, 'signed', 'car', {});

	it('is refused while anything is owed, with the list of it', async () => {
		const id = await shop.job();
		const refused = await sign(id).catch((error) => error);
		expect(refused.status).toBe(409);
		expect(refused.extra.owed).toContain('Rear right: 3 readings before');
	});

	it('by override is for leads, with their reason on the record; then the record is closed', async () => {
		const id = await shop.job();
		const reason = 'The customer waits outside.';
		await expect(shop.sign(id, reason, { by: shop.technician })).rejects.toMatchObject({
			status: 403
		});
		await shop.sign(id, reason);
		const job = await load(id);
		expect(job.signOff).toMatchObject({ personId: shop.lead.id });
		expect(job.signOff!.over.length).toBeGreaterThan(10);
		expect(job.signOff!.over.every((one) => one.reason === reason)).toBe(true);
		await expect(shop.reading(id)).rejects.toMatchObject({ status: 409 });
		await expect(head(id, { complaint: 'More' })).rejects.toMatchObject({ status: 409 });
	});

	it('goes through when all is done, and needs no reason then', async () => {
		const id = await shop.job();
		for (const phase of ['before', 'after']) {
			for (const corner of corners)
				for (let i = 0; i < 3; i++) await shop.reading(id, { phase, corner });
		}
		await shop.say(id, 'down', 'car', { onWheels: true });
		for (const joint of (await load(id)).joints.filter(({ loosened }) => loosened)) {
			const pieces = oneTimePieces(joint).map((piece) => [piece, { done: 'renewed' }]);
			if (pieces.length) await shop.say(id, 'hardware', joint.id, Object.fromEntries(pieces));
			for (const action of actionsOf(joint).keys()) {
				await shop.torque(id, joint.id, {
					action,
					carState: 'loaded',
					method: 'on-wheels',
					hubToArch: '365'
				});
			}
		}
		await sign(id);
		expect((await load(id)).signOff).toMatchObject({ over: [] });
	});
});

describe('cars', () => {
	it('two cannot have one plate', async () => {
		const first = shop.vehicleInput();
		await createVehicle(shop.db, first);
		await createVehicle(shop.db, first);
		await expect(
			createVehicle(shop.db, shop.vehicleInput({ plate: first.plate }))
		).rejects.toMatchObject({ faults: [{ field: 'plate' }] });
	});

	it('a change on top of somebody else’s is refused with the current car', async () => {
		const input = shop.vehicleInput();
		await createVehicle(shop.db, input);
		await changeVehicle(shop.db, input.id, { ...input, owner: 'First', version: 1 }, shop.lead);
		await expect(
			changeVehicle(shop.db, input.id, { ...input, owner: 'Second', version: 1 }, shop.lead)
		).rejects.toMatchObject({
			status: 409,
			extra: { currentVersion: 2, current: { owner: 'First' } }
		});
	});

	it.each([
		[{ wheelbase: '26' }, 'wheelbase'],
		[{ vin: 'IOQ' }, 'vin'],
		[{ modelYear: 1066 }, 'modelYear'],
		[{ plate: '' }, 'plate'],
		[{ front: { layout: 'hovercraft', track: '1500' } }, 'front.layout'],
		[{ rear: { layout: 'macpherson-front', track: '1500' } }, 'rear.layout']
	])('refuse %o', (change, field) => {
		const refused = (() => {
			try {
				return shop.vehicleInput(change);
			} catch (error) {
				return error as { faults: { field: string }[] };
			}
		})();
		expect(
			(refused as { faults: { field: string }[] }).faults.map((fault) => fault.field)
		).toContain(field);
	});

	it('a joint drop without the height it was taped at is refused', async () => {
		const input = shop.vehicleInput({
			front: { layout: 'macpherson-front', track: '1500', armLength: '350', outerBelowInner: '20' }
		});
		await expect(createVehicle(shop.db, input)).rejects.toMatchObject({
			faults: [{ field: 'front.referenceHubToArch' }]
		});
	});
});
