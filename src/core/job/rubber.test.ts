import { describe, expect, it } from 'vitest';
import { influence } from '../car/four-corner';
import { sampleCar } from '../car/sample';
import { perCorner } from '../height/corners';
import { layouts } from '../layout/catalogue';
import type { Loading } from './model';
import type { JobRecord } from './record';
import { viewJob } from './view';
import { demoRecord } from '../../../demo/jobs.testing';
import { cornerLift, judgeBush, liftAsSet, liftedShare, settingToleranceMm } from './rubber';
import { rubberOf } from './rubber-turns';
import { coverageOfRubber, jobOn, rubberLimits } from './rubber.testing';

const ride = 365;
const degrees = 180 / Math.PI;

const layout = (key: string) => layouts.find((one) => one.key === key)!;
const judged = (record: JobRecord, key: string, setMm: number) => {
	const joint = record.joints.find((one) => one.key === key)!;
	const found = judgeBush(record, joint.corner, setMm, rubberLimits, joint);
	if (!found.ok) throw new Error(found.faults[0]!.message);
	return found.value;
};
/** The right wheel, as it was read while it was loaded. */
const other = (hubToArchMm: number): Loading[] => [
	{ id: 'look', corner: 'RR', method: 'on-wheels', hubToArchMm } as unknown as Loading
];

describe.each(layouts.map((one) => [one.key, one] as const))('rubber of %s', (_, one) => {
	const record = jobOn(one, ride);
	const bonded = one.joints.filter(({ kind }) => kind === 'bonded-bush');

	it('says of each bush which two parts it lies between; each can be judged', () => {
		for (const { key, rubber } of bonded) {
			expect(rubber, key).toBeDefined();
			const { between } = rubberOf(one.key, { key, place: null });
			expect(between[0]).not.toBe(between[1]);
			const plain = between.some((body) => ['link', 'rod', 'bar'].includes(body));
			expect(rubber!.link !== undefined, key).toBe(plain);
			for (const at of [-40, 40]) expect(judged(record, key, ride + at).verdict).toBeDefined();
		}
		for (const { kind, rubber } of one.joints)
			if (kind !== 'bonded-bush') expect(rubber).toBeUndefined();
	});

	it('keeps nothing of the height it will stand at, and holds the car up where it was set hanging', () => {
		for (const { key } of bonded) {
			expect(judged(record, key, ride).twistDeg, key).toBeCloseTo(0, 9);
			expect(judged(record, key, ride + 60).twistDeg, key).toBeGreaterThanOrEqual(0);
			expect(judged(record, key, ride + 60).heightErrorMm, key).toBeGreaterThanOrEqual(0);
		}
	});

	it('within the tolerance every bush is set', () => {
		const tolerance = settingToleranceMm(record, 'RL', rubberLimits)!;
		for (const { key } of bonded)
			for (const way of [-1, 1])
				expect(judged(record, key, ride + way * 0.95 * tolerance).verdict, key).toBe('set');
	});

	it('lifts the corner by the sum of its bushes, each with its own rubber, about two thirds of what its spring alone would', () => {
		const lift = cornerLift(record, 'RL', ride + 50, rubberLimits)!;
		const each = bonded.map(({ key }) => judged(record, key, ride + 50));
		expect(lift.count).toBe(bonded.length);
		const none = {
			...record,
			joints: record.joints.map((joint) => ({ ...joint, loosened: false }))
		};
		expect(cornerLift(none, 'RL', ride + 50, rubberLimits)).toBeUndefined();
		expect(lift.liftMm).toBeCloseTo(
			each.reduce((sum, { heightErrorMm }) => sum + heightErrorMm, 0),
			9
		);
		const { track, rate } = { track: 1500, rate: one.assumed.wheelRateNPerMm };
		const stand = influence({
			...sampleCar,
			trackFrontMm: track,
			trackRearMm: track,
			wheelRatesNPerMm: perCorner(() => rate),
			motionRatio: perCorner(() => 1)
		});
		if (!stand.ok) throw new Error();
		expect(Math.abs(stand.value.heightPerPerch[2]![2]! - liftedShare)).toBeLessThan(0.03);
		for (const { heightErrorMm, wheelForceN } of each)
			expect(heightErrorMm).toBeCloseTo(
				(liftedShare * wheelForceN) / one.assumed.wheelRateNPerMm,
				9
			);
	});
});

describe('rubber turns with what its two ends are fixed to', () => {
	it('a plain link by its own length, φ = asin(b/L)', () => {
		const record = jobOn(layout('multi-link-rear'), ride);
		const turn = (below: number) => Math.asin(below / 420) * degrees;
		expect(judged(record, 'front-link', ride + 50).twistDeg).toBeCloseTo(turn(55) - turn(5), 6);
	});

	it('an eye on the arm by arm and damper together, not by the arm alone', () => {
		const record = jobOn(layout('trailing-arm-rear'), ride);
		const arm = judged(record, 'arm-pivot-bush', ride + 60).twistDeg;
		const eye = judged(record, 'damper-bottom', ride + 60).twistDeg;
		expect(arm - eye).toBeGreaterThan(1);
		expect(eye).toBeGreaterThan(0);
	});

	it('a lateral rod leans by half of each wheel, its axle end also against the axle', () => {
		const record = jobOn(layout('live-axle-rear'), ride);
		record.loadings = other(ride);
		const rod = (below: number) => Math.asin(below / 900) * degrees;
		expect(judged(record, 'lateral-rod-body', ride + 60).twistDeg).toBeCloseTo(
			rod(60) - rod(30),
			6
		);
		const lean = (60 / record.vehicle.axles.rear.trackMm) * degrees;
		expect(Math.abs(judged(record, 'lateral-rod-axle', ride + 60).twistDeg)).toBeCloseTo(
			Math.abs(rod(60) - rod(30) - lean),
			6
		);
	});

	it('on one axle the other wheel counts: unread it widens the band, read it moves the twist', () => {
		const record = jobOn(layout('live-axle-rear'), ride);
		const unread = judged(record, 'upper-link-body', ride + 40);
		expect(unread.otherUnread).toBe(true);
		record.loadings = other(ride);
		const alone = judged(record, 'upper-link-body', ride + 40);
		expect(alone).toMatchObject({ otherUnread: false, twistDeg: unread.twistDeg });
		expect(alone.twistExpandedDeg).toBeLessThan(0.8 * unread.twistExpandedDeg);
		record.entries = [{ kind: 'hangs', subject: 'RR', data: { loadingId: 'look' } }] as never;
		expect(judged(record, 'upper-link-body', ride + 40).otherUnread).toBe(true);
		record.entries = [];
		record.loadings = other(ride + 40);
		const both = judged(record, 'upper-link-body', ride + 40).twistDeg;
		// It sees three tenths of the other wheel.
		expect(alone.twistDeg / both).toBeCloseTo(0.7, 1);
		expect(
			judged(jobOn(layout('multi-link-rear'), ride), 'spring-arm-inner', ride + 40).otherUnread
		).toBe(false);
	});

	it('an anti-roll bar turns by the mean of both wheels', () => {
		const record = jobOn(layout('macpherson-front'), ride);
		record.loadings = other(ride - 60);
		expect(judged(record, 'bar-bush', ride + 60).twistDeg).toBeCloseTo(0, 6);
	});

	it('a joint that was added in the shop lies between body and the arm of its place', () => {
		const added = (key: string, place: 'upper-pivot' | 'lower-joint') =>
			rubberOf(key, { key: null, place }).between;
		expect(added('double-wishbone', 'upper-pivot')).toEqual(['body', 'upper-arm']);
		expect(added('double-wishbone', 'lower-joint')).toEqual(['body', 'lower-arm']);
		expect(added('twist-beam-spring', 'upper-pivot')).toEqual(['body', 'arm']);
	});

	it('as it was set a corner is lifted by what its last torques kept', () => {
		const record = demoRecord('2026-0257');
		const { torques } = viewJob(record);
		const wound = liftAsSet(record, torques, 'FL')!;
		expect(wound.count).toBeGreaterThan(3);
		expect(wound.liftMm).toBeGreaterThan(1);
		expect(liftAsSet(record, torques, 'RL')).toBeUndefined();
	});

	it('what was taped and makes no corner, or a height it does not reach, is said', () => {
		const record = jobOn(layout('double-wishbone'), ride);
		const joint = record.joints.find(({ key }) => key === 'damper-bottom')!;
		const far = judgeBush(record, 'RL', ride + 400, rubberLimits, joint);
		expect(far).toMatchObject({
			ok: false,
			faults: [
				{
					field: 'hubToArch',
					value: ride + 400,
					message: expect.stringContaining('cannot be reached') as string
				}
			]
		});
		record.vehicle.axles.rear.tape = { upperArmMm: 60, upperJointBelowPivotMm: 90 };
		expect(judgeBush(record, 'RL', ride, rubberLimits, joint).ok).toBe(false);
		expect(settingToleranceMm(record, 'RL', rubberLimits)).toBeUndefined();
	});
});

it('bands hold over corners of one layout as they differ, a small sample', () => {
	const shares = [...coverageOfRubber(60, 7).inside.values()].sort((a, b) => a - b);
	expect(shares[0]).toBeGreaterThan(0.8);
	expect(shares[Math.floor(shares.length / 2)]).toBeGreaterThan(0.92);
});
