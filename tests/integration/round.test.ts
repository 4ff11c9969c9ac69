import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { viewJob } from '../../src/core/job/view.ts';
import {
	calibrationSchema,
	newWrenchSchema,
	wrenchChangeSchema
} from '../../src/lib/schema/device.ts';
import { findWrench, listCalibrations } from '../../src/lib/server/db/wrenches.ts';
import { proveBook } from '../../src/lib/server/proof/chain.ts';
import {
	addWrench,
	calibrateWrench,
	changeWrench,
	type CalibrationInput,
	type WrenchInput
} from '../../src/lib/server/rack.ts';
import { checked, useShop } from './shop.ts';

const shop = useShop('round');
const load = (id: string) => shop.record(id);
const day = (daysAgo = 0) => new Date(Date.now() - daysAgo * 86_400_000).toISOString().slice(0, 10);

async function wrench(change: Record<string, unknown> = {}, calibratedDaysAgo: number | null = 10) {
	const input = checked<WrenchInput>(newWrenchSchema, {
		id: uuidv7(),
		name: `Wrench ${uuidv7().slice(-8)}`,
		kind: 'click',
		lowest: '40',
		highest: '200',
		length: '400 mm',
		...change
	});
	const made = await addWrench(shop.db, input);
	if (calibratedDaysAgo !== null) await calibrate(made.id, day(calibratedDaysAgo));
	return made;
}
const calibrate = (id: string, calibratedOn: string, reads = ['40', '120', '200']) =>
	calibrateWrench(
		shop.db,
		id,
		checked<CalibrationInput>(calibrationSchema, {
			id: uuidv7(),
			calibratedOn,
			readings: reads.map((read, i) => ({ set: ['40', '120', '200'][i], read }))
		}),
		shop.lead.id
	);

async function jointWith(change: Record<string, unknown>, kind = 'rigid') {
	const id = await shop.job();
	const job = await load(id);
	const joint = job.joints.find((one) => one.kind === kind)!;
	await shop.say(id, 'joint', joint.id, { torque: '100', torqueSource: 'maker', ...change });
	return { id, joint: (await load(id)).joints.find((one) => one.id === joint.id)! };
}
const stateOf = async (id: string, jointId: string) =>
	viewJob(await load(id)).standing.joints.get(jointId)!;

describe('a programme', () => {
	it('is kept as said, and its steps are recorded one by one', async () => {
		const { id, joint } = await jointWith({
			torque: '70',
			programme: {
				then: [
					{ kind: 'slacken', angle: '120°' },
					{ kind: 'torque', torque: '37 ft-lb' },
					{ kind: 'angle', angle: '90' }
				],
				prevailing: '4'
			}
		});
		expect(joint.programme!.then![1]).toMatchObject({ torqueNm: expect.closeTo(50.2, 1) });
		await expect(shop.torque(id, joint.id, { action: 1 })).rejects.toMatchObject({
			faults: [{ field: 'angle' }]
		});
		await shop.torque(id, joint.id, { action: 0, torque: '74' });
		await shop.torque(id, joint.id, { action: 1, torque: undefined, angle: '120' });
		expect(await stateOf(id, joint.id)).toMatchObject({ state: 'begun', done: 2, next: 2 });
		await shop.torque(id, joint.id, { action: 2, torque: '54.2' });
		await shop.torque(id, joint.id, { action: 3, torque: undefined, angle: '92' });
		expect(await stateOf(id, joint.id)).toMatchObject({ state: 'torqued', owed: false });
		await expect(shop.torque(id, joint.id, { action: 4 })).rejects.toMatchObject({
			faults: [{ field: 'action' }]
		});
	});

	it('a castle nut above its high limit is refused: another nut or washer', async () => {
		const { id, joint } = await jointWith(
			{ torque: '60', programme: { castle: { high: '95', slotDeg: 60 } } },
			'ball-joint'
		);
		await expect(shop.torque(id, joint.id, { torque: '97' })).rejects.toMatchObject({
			faults: [{ field: 'torque', message: expect.stringContaining('another nut or washer') }]
		});
		await shop.torque(id, joint.id, { torque: '84' });
		expect((await stateOf(id, joint.id)).state).toBe('torqued');
	});

	it('whose limits contradict each other is refused by its field', async () => {
		await expect(
			jointWith({ torque: '95', programme: { castle: { high: '60', slotDeg: 60 } } })
		).rejects.toMatchObject({ faults: [{ field: 'programme.castle.high' }] });
		await expect(
			jointWith({
				thread: { diameterMm: 8, pitchMm: 3, propertyClass: '8.8', condition: 'oil' }
			})
		).rejects.toMatchObject({ faults: [{ field: 'thread.pitchMm' }] });
	});

	it('an oiled thread counts at its own torque, not at the dry one', async () => {
		const thread = { diameterMm: 12, pitchMm: 1.5, propertyClass: '10.9', condition: 'anti-seize' };
		const { id, joint } = await jointWith({ thread });
		await shop.torque(id, joint.id, { torque: '100' });
		expect(await stateOf(id, joint.id)).toMatchObject({ state: 'again' });
		await shop.torque(id, joint.id, { torque: '68' });
		expect(await stateOf(id, joint.id)).toMatchObject({ state: 'torqued' });
	});
});

describe('two people on one car', () => {
	it('the second is told before a joint is done twice, and may look and go on', async () => {
		const { id, joint } = await jointWith({});
		const { seq: known } = await load(id);
		const first = await shop.torque(id, joint.id, { torque: '100', known });
		await expect(shop.torque(id, joint.id, { torque: '100', known })).rejects.toMatchObject({
			status: 409,
			message: expect.stringContaining('has recorded')
		});
		await shop.torque(id, joint.id, { torque: '101', known: first.seq });
		expect((await load(id)).torques).toHaveLength(2);
	});

	it('at the same instant only one of them is taken', async () => {
		const { id, joint } = await jointWith({});
		const { seq: known } = await load(id);
		const tries = await Promise.allSettled(
			Array.from({ length: 6 }, () => shop.torque(id, joint.id, { torque: '100', known }))
		);
		expect(tries.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
		expect((await load(id)).torques).toHaveLength(1);
	});

	it('a joint passed over stays owed with its reason, on record and in the chain', async () => {
		const { id, joint } = await jointWith({});
		await shop.torque(id, joint.id, { torque: undefined, skipReason: 'no room for the socket' });
		expect(await stateOf(id, joint.id)).toMatchObject({
			owed: true,
			reason: 'to be torqued; passed over: no room for the socket'
		});
		const job = await load(id);
		expect(job.entries.at(-1)).toMatchObject({ kind: 'skip' });
		expect(proveBook(job)).toMatchObject({ holds: true, entries: job.seq });
	});
});

describe('a wrench of the rack', () => {
	it('counts its pulls since its calibration', async () => {
		const { id, joint } = await jointWith({});
		const { id: wrenchId } = await wrench();
		for (let i = 0; i < 3; i++) await shop.torque(id, joint.id, { torque: '100', wrenchId });
		expect((await findWrench(shop.db, wrenchId))!.cycles).toBe(3);
		expect((await load(id)).torques[0]).toMatchObject({ wrenchId, wrench: expect.any(String) });
		await calibrate(wrenchId, day(-1).slice(0, 10));
		expect((await findWrench(shop.db, wrenchId))!.cycles).toBe(0);
	});

	it('out of range or out of date is refused without a reason, and recorded with one', async () => {
		const { id, joint } = await jointWith({ torque: '30' });
		const { id: wrenchId, name } = await wrench();
		await expect(shop.torque(id, joint.id, { torque: '30', wrenchId })).rejects.toMatchObject({
			faults: [{ field: 'wrenchId', message: expect.stringContaining('works from 40 to 200') }]
		});
		const overrideReason = 'only wrench that reaches the bolt';
		await shop.torque(id, joint.id, { torque: '30', wrenchId, overrideReason });
		expect((await load(id)).torques[0]).toMatchObject({ wrench: name, overrideReason });
		const old = await wrench({}, 400);
		const other = await jointWith({});
		await expect(
			shop.torque(other.id, other.joint.id, { torque: '100', wrenchId: old.id })
		).rejects.toMatchObject({
			faults: [{ message: expect.stringContaining('calibration lapsed') }]
		});
	});

	it('keeps what it was set to with an adapter', async () => {
		const { id, joint } = await jointWith({
			programme: { adapter: { length: '100 mm', angleDeg: 0 } }
		});
		const { id: wrenchId } = await wrench();
		await shop.torque(id, joint.id, { torque: '100', wrenchId });
		// ISO lever law: 100·400/500.
		expect((await load(id)).torques[0]!.settingNm).toBeCloseTo(80, 9);
	});

	it('passes or fails by ISO 6789-1, and a failed one serves no more', async () => {
		const { id: wrenchId } = await wrench({}, null);
		expect(await calibrate(wrenchId, day(2), ['41.5', '120', '200'])).toEqual({ passed: true });
		expect(await calibrate(wrenchId, day(1), ['42', '120', '200'])).toEqual({ passed: false });
		expect(await findWrench(shop.db, wrenchId)).toMatchObject({ passed: false });
		expect(
			(await listCalibrations(shop.db)).filter((one) => one.wrenchId === wrenchId)
		).toHaveLength(2);
	});

	it('two cannot have one name, and a stale change is refused', async () => {
		const made = await wrench();
		await expect(wrench({ name: made.name })).rejects.toMatchObject({
			faults: [{ field: 'name' }]
		});
		await expect(wrench({ lowest: '200', highest: '40' })).rejects.toMatchObject({
			faults: [{ field: 'highest' }]
		});
		const change = checked<Omit<WrenchInput, 'id'> & { version: number }>(wrenchChangeSchema, {
			version: 1,
			name: made.name,
			kind: 'dial',
			lowest: '30 ft-lb',
			highest: '150 ft-lb',
			retired: true
		});
		await changeWrench(shop.db, made.id, change);
		expect(await findWrench(shop.db, made.id)).toMatchObject({
			kind: 'dial',
			retired: true,
			highestNm: expect.closeTo(203.37, 2)
		});
		await expect(changeWrench(shop.db, made.id, change)).rejects.toMatchObject({ status: 409 });
	});
});

describe('loaded evidence', () => {
	it('is kept once, in the chain, with the opposite corner', async () => {
		const id = await shop.job();
		const key = uuidv7();
		const takenAt = new Date().toISOString();
		const look = {
			id: key,
			takenAt,
			hubToArch: '366',
			oppositeBefore: '702',
			oppositeNow: '703'
		};
		await Promise.all([1, 2, 3].map(() => shop.loading(id, look)));
		const job = await load(id);
		expect(job.loadings).toMatchObject([{ id: key, hubToArchMm: 366, oppositeNowMm: 703 }]);
		expect(proveBook(job)).toMatchObject({ holds: true, entries: job.seq });
	});

	it('that was edited in the database is named', async () => {
		const id = await shop.job();
		await shop.loading(id, { hubToArch: '366' });
		await shop.db.run(
			`UPDATE entries SET data = JSON_SET(data, '$.hubToArchMm', 380) WHERE job_id = ? AND kind = 'loading'`,
			[id]
		);
		expect(proveBook(await load(id))).toMatchObject({
			holds: false,
			broken: {
				words: 'the loaded height at front left, 366 mm, jacked to height is not as it was written'
			}
		});
	});

	it('is only taken at a corner of the job', async () => {
		const id = await shop.job(['FL']);
		await expect(shop.loading(id, { corner: 'RR' })).rejects.toMatchObject({
			faults: [{ field: 'subject' }]
		});
	});
});

describe('when the height changes by more than the limit', () => {
	it('every bonded bush of the corner is owed a re-set, undone or not', async () => {
		const id = await shop.job(['FL']);
		for (let i = 0; i < 3; i++) await shop.reading(id, { height: '390' });
		const job = await load(id);
		const bushes = job.joints.filter(({ kind }) => kind === 'bonded-bush');
		for (const bush of bushes) await shop.say(id, 'joint', bush.id, { loosened: false });
		// The maker's 365 mm is 25 mm under the 390 mm it stood at.
		const { standing } = viewJob(await load(id));
		for (const bush of bushes)
			expect(standing.joints.get(bush.id)).toMatchObject({
				owed: true,
				reason: expect.stringContaining('25 mm lower than before')
			});
		const other = await shop.job(['FL']);
		for (let i = 0; i < 3; i++) await shop.reading(other, { height: '368' });
		const near = await load(other);
		const [first] = near.joints.filter(({ kind }) => kind === 'bonded-bush');
		await shop.say(other, 'joint', first!.id, { loosened: false });
		expect(await stateOf(other, first!.id)).toMatchObject({ state: 'untouched', owed: false });
	});
});
