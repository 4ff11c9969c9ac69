import { describe, expect, it } from 'vitest';
import { demoRecord } from '../../../demo/jobs.testing';
import type { Entry } from './book/entry';
import { owedLine } from '../procedure/owed';
import type { Reading } from './model';
import { armGeometry } from './arm';
import { asHubToArch } from './corner-target';
import { judgeBush, settingToleranceMm } from './rubber';
import { targetAlternatives } from './loaded';
import { viewJob } from './view';

const limits = { setDeg: 2, advisedDeg: 5 };
const job = demoRecord;

describe('what the core makes of a job', () => {
	it('heights before and after with their comparison, corner by corner', () => {
		const { corners } = viewJob(job('2026-0187'));
		expect(corners.FL.before!.n).toBe(3);
		expect(corners.FL.comparison).toMatchObject({ verdict: 'changed' });
		expect(corners.FL.target).toMatchObject({ heightMm: 331, source: 'chosen' });
	});

	it('a corrected reading counts in the place of the slip', () => {
		const record = job('2026-0255');
		expect(record.readings.filter((r) => r.corner === 'RL')).toHaveLength(4);
		const { readings, corners } = viewJob(record);
		expect(readings.before.RL).toHaveLength(3);
		expect(corners.RL.before!.readAgain).toBe(false);
	});

	it('one reading after is no comparison yet', () => {
		const record = job('2026-0251');
		const first = record.readings.find((r) => r.phase === 'after' && r.corner === 'FL')!;
		record.readings = record.readings.filter((r) => r.phase === 'before' || r === first);
		expect(viewJob(record).corners.FL).toMatchObject({ after: { n: 1 }, comparison: undefined });
	});

	it('the last torque of a joint counts, and its bush is judged', () => {
		const record = job('2026-0257');
		const { torques, standing } = viewJob(record);
		const wound = [...torques.values()].filter((t) => t.bush?.verdict === 'wound-up');
		expect(wound).toHaveLength(5);
		for (const torque of wound)
			expect(standing.joints.get(torque.jointId)).toMatchObject({ state: 'again', owed: true });
	});
});

describe('a signed job', () => {
	it('owes of its work what it was signed over, and nothing that the plan came to know later', () => {
		const record = job('2026-0187');
		const plan = { kind: 'scope', subject: 'front', seq: record.entries.length + 1 };
		const data = { damper: true, spring: false, bushes: false };
		record.entries.push({ ...plan, id: 'later', data } as unknown as Entry);
		const work = () => viewJob(record).standing.owed.filter(({ stage }) => stage === 'work');
		expect(work()).toEqual([]);
		const { signedAt } = record;
		record.signedAt = null;
		const open = work();
		expect(open.length).toBeGreaterThan(20);
		record.signedAt = signedAt;
		const over = [{ item: owedLine(open[3]!), reason: 'done by hand, not ticked' }];
		record.signOff = { ...record.signOff!, over };
		expect(work()).toEqual([open[3]]);
	});
});

describe('the target of a corner', () => {
	it('is the maker’s only in the maker’s school', () => {
		const record = job('2026-0257');
		expect(viewJob(record).corners.FL.target).toMatchObject({ heightMm: 341, source: 'maker' });
		record.vehicle.axles.front.makerHeightSchool = 'ground-to-arch';
		expect(viewJob(record).corners.FL.target).toMatchObject({ source: 'before' });
	});

	it('becomes hub to arch by the stated offset', () => {
		const record = job('2026-0259');
		expect(asHubToArch(record, 'FL', 702)).toBe(386);
		record.offsets = {};
		expect(asHubToArch(record, 'FL', 702)).toBeUndefined();
		expect(judgeBush(record, 'FL', 386, limits)).toMatchObject({
			ok: false,
			faults: [{ field: 'hubToArch' }]
		});
		expect(settingToleranceMm(record, 'FL', limits)).toBeUndefined();
	});

	it('says what the heights it was not chosen from would cost in twist', () => {
		const record = job('2026-0257');
		const [before, ...more] = targetAlternatives(record, 'FL', limits);
		expect(more).toEqual([]);
		expect(before).toMatchObject({ source: 'before' });
		// Set at the height before while the car stands at the target: the same as judging that height.
		const judged = judgeBush(record, 'FL', before!.heightMm, limits);
		expect(judged.ok && judged.value.twistDeg).toBe(before!.judged!.twistDeg);
		record.targets.push({
			corner: 'FL',
			heightMm: 330,
			entered: '330 mm',
			source: 'chosen',
			prediction: null
		});
		const both = targetAlternatives(record, 'FL', limits);
		expect(both.map(({ source }) => source)).toEqual(['maker', 'before']);
		expect(both[0]!.judged!.twistDeg).toBeGreaterThan(0);
	});

	it('predicted: a bush is judged with the band of the prediction', () => {
		const record = job('2026-0257');
		const sure = judgeBush(record, 'FL', 360, limits);
		record.targets.push({
			corner: 'FL',
			heightMm: 341,
			entered: '341 mm',
			source: 'predicted',
			prediction: { input: {} as never, typed: {}, expandedMm: 14 }
		});
		const predicted = judgeBush(record, 'FL', 360, limits);
		if (!sure.ok || !predicted.ok) throw new Error('not judged');
		expect(predicted.value.twistDeg).toBeCloseTo(sure.value.twistDeg, 9);
		expect(predicted.value.twistExpandedDeg).toBeGreaterThan(1.5 * sure.value.twistExpandedDeg);
	});

	it('without readings and without the maker there is none', () => {
		const record = job('2026-0255');
		record.readings = [] as Reading[];
		record.targets = [];
		expect(viewJob(record).corners.RL.target).toBeUndefined();
	});
});

describe('the arm of a corner', () => {
	it('is taped where it was taped, else assumed with a wide band', () => {
		const taped = job('2026-0187').vehicle.axles;
		expect(armGeometry(taped.front, 331)).toMatchObject({
			armLengthMm: { value: 368, u: 3 },
			assumed: false,
			referenceHubToArchMm: 331
		});
		const assumed = armGeometry(taped.rear, 334);
		expect(assumed).toMatchObject({ assumed: true, referenceHubToArchMm: 334 });
		expect(assumed.armLengthMm.u).toBeGreaterThan(10);
	});

	it('taping it narrows the twist', () => {
		const record = job('2026-0257');
		const before = judgeBush(record, 'FL', 375, limits);
		Object.assign(record.vehicle.axles.front, {
			armLengthMm: 370,
			outerBelowInnerMm: 20,
			referenceHubToArchMm: 341
		});
		const after = judgeBush(record, 'FL', 375, limits);
		expect(
			after.ok && before.ok && after.value.twistExpandedDeg < before.value.twistExpandedDeg
		).toBe(true);
		expect(after.ok && before.ok && after.value.twistDeg).toBeCloseTo(
			before.ok ? before.value.twistDeg : NaN,
			10
		);
	});

	it('the tolerance is where the verdict turns', () => {
		const record = job('2026-0257');
		const tolerance = settingToleranceMm(record, 'FL', limits)!;
		const verdict = (off: number) => {
			// The shorter, upper arm is the one that allows least.
			const judged = judgeBush(record, 'FL', 341 + off, limits, {
				key: null,
				place: 'upper-pivot'
			});
			return judged.ok && judged.value.verdict;
		};
		expect([verdict(tolerance - 0.5), verdict(tolerance + 0.5)]).toEqual(['set', 're-set-advised']);
		expect([verdict(-tolerance + 0.5), verdict(-tolerance - 0.5)]).toEqual([
			'set',
			're-set-advised'
		]);
	});
});
