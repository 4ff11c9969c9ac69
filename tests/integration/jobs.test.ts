import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { actionsOf } from '../../src/core/fastener/joint-programme.ts';
import { corners } from '../../src/core/height/corners.ts';
import { metric } from '../../src/core/units/format.ts';
import { validate } from '../../src/core/validate.ts';
import { viewJob } from '../../src/core/job/view.ts';
import { targetSchema } from '../../src/lib/schema/job.ts';
import { updateShop, findShop } from '../../src/lib/server/db/shop.ts';
import { changeHead } from '../../src/lib/server/jobs/head.ts';
import { setOffset, setTarget } from '../../src/lib/server/jobs/heights.ts';
import { addJoint, changeJoint, removeJoint } from '../../src/lib/server/jobs/joints.ts';
import { loadJob, searchJobs } from '../../src/lib/server/jobs/load.ts';
import { signOff } from '../../src/lib/server/jobs/sign-off.ts';
import { changeVehicle, createVehicle } from '../../src/lib/server/vehicles.ts';
import { checked, useShop } from './shop.ts';

const shop = useShop('jobs');
const load = (id: string) => loadJob(shop.db, id);
const length = (si: number) => ({ text: `${si} mm`, entered: si, unit: 'mm', si });
const torque = (si: number) => ({ text: `${si} N·m`, entered: si, unit: 'N·m', si });

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

	it('is found by plate, owner, complaint and number, whatever signs are typed', async () => {
		const plate = `XQ ${uuidv7().slice(-4)}`.toUpperCase();
		const id = await shop.job(['FL'], { plate, owner: 'O’Malley 100%' });
		const { number } = await load(id);
		for (const search of [plate, plate.replace(' ', ''), 'o’malley', number, `knock ${plate}`]) {
			expect(
				(await searchJobs(shop.db, { search })).map((job) => job.id),
				search
			).toContain(id);
		}
		for (const search of ["'; DROP TABLE jobs; --", '%_%zz', '\\', '<b>']) {
			expect(await searchJobs(shop.db, { search }), search).toEqual([]);
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
		const key = uuidv7();
		await Promise.all([1, 2, 3, 4].map(() => shop.reading(id, { id: key })));
		expect((await load(id)).readings).toHaveLength(1);
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
		[{ takenAt: '2099-01-01T00:00:00Z' }, 'takenAt', 'lies in the future'],
		[{ corner: 'XX' }, 'corner', 'must be one of'],
		[{ correctsId: uuidv7() }, 'correctsId', 'is not a reading of this corner']
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
		await changeHead(shop.db, id, { version: 1, school: 'ground-to-arch' }, shop.lead.id);
		await shop.reading(id, { school: 'ground-to-arch', height: '680' });
		const bush = (await load(id)).joints.find((joint) => joint.kind === 'bonded-bush')!;
		const tighten = () =>
			shop.torque(id, bush.id, { carState: 'loaded', method: 'on-wheels', hubToArch: '365' });
		await expect(tighten()).rejects.toMatchObject({ faults: [{ field: 'hubToArch' }] });
		await setOffset(shop.db, id, { version: 2, axle: 'front', offset: length(-315) }, shop.lead.id);
		expect(await tighten()).toMatchObject({ targetHubToArchMm: 365, bush: { verdict: 'set' } });
	});

	it('fix the school once one is on record', async () => {
		const id = await shop.job();
		await shop.reading(id);
		await expect(
			changeHead(shop.db, id, { version: 1, school: 'ground-to-sill' }, shop.lead.id)
		).rejects.toMatchObject({ status: 422 });
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
			hubToArch: '14 3/8 in'
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
		expect(torque.bush!.twistDeg).toBeGreaterThan(8);
		expect(torque.bush!.twistExpandedDeg).toBeGreaterThan(0);
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
		expect(torque.bush!.verdict).toBe('set');
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
		[{ jointId: uuidv7() }, 'jointId', 'is not a joint of this job'],
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
	it('the second of two changes is told what the first was, and can be applied on top', async () => {
		const id = await shop.job();
		await changeHead(shop.db, id, { version: 1, complaint: 'Clunk on braking' }, shop.lead.id);
		const stale = changeHead(shop.db, id, { version: 1, complaint: 'Rattle' }, shop.technician.id);
		await expect(stale).rejects.toMatchObject({
			status: 409,
			extra: {
				currentVersion: 2,
				changes: [{ version: 2, who: 'Person lead', what: 'complaint: Clunk on braking' }]
			}
		});
		await changeHead(shop.db, id, { version: 2, complaint: 'Rattle' }, shop.technician.id);
		expect(await load(id)).toMatchObject({ complaint: 'Rattle', version: 3 });
	});

	it('of ten changes at once exactly one goes through', async () => {
		const id = await shop.job();
		const tries = await Promise.allSettled(
			Array.from({ length: 10 }, (_, i) =>
				changeHead(shop.db, id, { version: 1, complaint: `Complaint ${i}` }, shop.lead.id)
			)
		);
		expect(tries.filter((result) => result.status === 'fulfilled')).toHaveLength(1);
		expect((await load(id)).version).toBe(2);
	});

	it('a reading is taken whatever was changed meanwhile', async () => {
		const id = await shop.job();
		await Promise.all([
			changeHead(shop.db, id, { version: 1, complaint: 'Rattle' }, shop.lead.id),
			shop.reading(id)
		]);
		expect(await load(id)).toMatchObject({ complaint: 'Rattle', readings: [{ heightMm: 365 }] });
	});
});

describe('joints', () => {
	it('can be added, specified and removed until something is recorded on them', async () => {
		const id = await shop.job();
		const key = uuidv7();
		await addJoint(
			shop.db,
			id,
			{ version: 1, id: key, corner: 'FL', name: 'Subframe bolt', kind: 'rigid', rule: 'any-time' },
			shop.lead.id
		);
		await changeJoint(
			shop.db,
			id,
			key,
			{ version: 2, torque: torque(90), torqueSource: 'estimated' },
			shop.lead.id
		);
		expect((await load(id)).joints.find((joint) => joint.id === key)).toMatchObject({
			torqueNm: 90,
			torqueSource: 'estimated'
		});
		await shop.torque(id, key, { torque: '90' });
		await expect(removeJoint(shop.db, id, key, 3, shop.lead.id)).rejects.toMatchObject({
			status: 422
		});
	});

	it('a torque needs its source, and rubber always waits for ride height', async () => {
		const id = await shop.job();
		const { joints } = await load(id);
		const bush = joints.find((joint) => joint.kind === 'bonded-bush')!;
		await expect(
			changeJoint(shop.db, id, bush.id, { version: 1, torque: torque(90) }, shop.lead.id)
		).rejects.toMatchObject({ faults: [{ field: 'torqueSource' }] });
		await expect(
			changeJoint(shop.db, id, bush.id, { version: 1, rule: 'any-time' }, shop.lead.id)
		).rejects.toMatchObject({ faults: [{ field: 'rule' }] });
	});

	it('a corner with torques on record is not dropped; one without is, with its joints', async () => {
		const id = await shop.job(['FL', 'FR']);
		const { joints } = await load(id);
		await shop.torque(
			id,
			joints.find((joint) => joint.corner === 'FL' && joint.kind === 'rigid')!.id
		);
		await expect(
			changeHead(shop.db, id, { version: 1, corners: ['FR'] }, shop.lead.id)
		).rejects.toMatchObject({ status: 422 });
		await changeHead(shop.db, id, { version: 1, corners: ['FL', 'RL'] }, shop.lead.id);
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
	const predict = (id: string, version: number, change: object = {}) =>
		setTarget(
			shop.db,
			id,
			checked(targetSchema, {
				version,
				corner: 'FL',
				source: 'predicted',
				prediction: { ...spring, ...change }
			}),
			shop.technician.id
		);

	it('are predicted from the new spring and the height before, and keep what they rest on', async () => {
		const id = await shop.job();
		await expect(predict(id, 1)).rejects.toMatchObject({
			faults: [{ field: 'source', message: expect.stringContaining('height before') }]
		});
		for (const height of ['352', '353', '352']) await shop.reading(id, { height });
		const { version } = await predict(id, 1);
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
		await expect(predict(id, version, { newRate: '5 N/mm' })).rejects.toMatchObject({
			faults: [{ field: 'prediction.newRate', message: expect.stringContaining('cannot carry') }]
		});
		expect((await load(id)).version).toBe(version);
	});

	it('are not both typed and predicted', () => {
		const body = { version: 1, corner: 'FL', source: 'predicted' };
		const refused = (data: object) => {
			const result = validate(targetSchema, data, { units: metric, now: Date.now() });
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
		const target = async () => viewJob(await load(id)).corners.FL.target;
		expect(await target()).toMatchObject({ heightMm: 365, source: 'maker' });
		await setTarget(
			shop.db,
			id,
			{ version: 1, corner: 'FL', height: length(340), source: 'chosen' },
			shop.lead.id
		);
		expect(await target()).toMatchObject({ heightMm: 340, source: 'chosen' });
		await setTarget(
			shop.db,
			id,
			{ version: 2, corner: 'FL', height: null, source: 'chosen' },
			shop.lead.id
		);
		expect(await target()).toMatchObject({ heightMm: 365, source: 'maker' });
		await expect(
			setTarget(
				shop.db,
				id,
				{ version: 3, corner: 'FL', height: length(9000), source: 'chosen' },
				shop.lead.id
			)
		).rejects.toMatchObject({ status: 422 });
	});
});

describe('signing', () => {
	const sign = (id: string, version: number, who = shop.technician, overrideReason?: string) =>
		signOff(shop.db, id, { id: uuidv7(), version, overrideReason }, who, new Date());

	it('is refused while anything is owed, with the list of it', async () => {
		const id = await shop.job();
		const refused = await sign(id, 1).catch((error) => error);
		expect(refused.status).toBe(409);
		expect(refused.extra.owed).toContain('Rear right: 3 readings before');
	});

	it('by override is for leads, with their reason on the record; then the record is closed', async () => {
		const id = await shop.job();
		await expect(sign(id, 1, shop.technician, 'The customer waits outside.')).rejects.toMatchObject(
			{ status: 403 }
		);
		await sign(id, 1, shop.lead, 'The customer waits outside.');
		const job = await load(id);
		expect(job.signOff).toMatchObject({
			personId: shop.lead.id,
			overrideReason: 'The customer waits outside.'
		});
		expect(job.signOff!.owed.length).toBeGreaterThan(10);
		await expect(shop.reading(id)).rejects.toMatchObject({ status: 409 });
		await expect(
			changeHead(shop.db, id, { version: 2, complaint: 'More' }, shop.lead.id)
		).rejects.toMatchObject({ status: 409 });
	});

	it('goes through when all is done, and needs no reason then', async () => {
		const id = await shop.job();
		for (const phase of ['before', 'after']) {
			for (const corner of corners)
				for (let i = 0; i < 3; i++) await shop.reading(id, { phase, corner });
		}
		for (const joint of (await load(id)).joints) {
			for (const action of actionsOf(joint).keys()) {
				await shop.torque(id, joint.id, {
					action,
					carState: 'loaded',
					method: 'on-wheels',
					hubToArch: '365'
				});
			}
		}
		await sign(id, 1);
		expect((await load(id)).signOff).toMatchObject({ overrideReason: null, owed: [] });
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
		await changeVehicle(shop.db, input.id, { ...input, owner: 'First', version: 1 });
		await expect(
			changeVehicle(shop.db, input.id, { ...input, owner: 'Second', version: 1 })
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
