import { describe, expect, it } from 'vitest';
import { layouts } from '../layout/catalogue';
import {
	believable,
	learnedPace,
	meanMinutes,
	overallPace,
	stepMinutes,
	type TimedKind
} from './minutes';
import { workOrder } from './order';
import { usualStrategy, type WorkScope } from './scope';

const scope = (rust: WorkScope['rust']): WorkScope => ({
	axles: { front: { damper: true, spring: false, bushes: false } },
	corners: ['FL', 'FR'],
	layouts: { front: layouts[0]!, rear: layouts[0]! },
	strategy: usualStrategy,
	rust
});
const likely = (rust: WorkScope['rust'], id: string) =>
	stepMinutes(workOrder(scope(rust)).steps, scope(rust)).get(id)!.likely;

const took = (minutes: number, times: number): TimedKind[] => [
	{ kind: 'undo-bottom', steps: times, logRatios: times * Math.log(minutes / 10) }
];

describe('the minutes of a step', () => {
	it('are about half on the second side of an axle', () => {
		expect(likely('none', 'FR/undo-bottom')).toBeCloseTo(likely('none', 'FL/undo-bottom') / 2, 9);
		expect(likely('none', 'car/lift')).toBe(4);
	});

	it('grow with rust where something is undone, and only there', () => {
		expect(likely('heavy', 'FL/undo-bottom')).toBeGreaterThan(
			likely('none', 'FL/undo-bottom') * 1.5
		);
		expect(likely('heavy', 'FL/restack')).toBe(likely('none', 'FL/restack'));
	});

	it('have the PERT mean', () => {
		expect(meanMinutes({ low: 2, likely: 5, high: 14 })).toBe(6);
	});
});

describe('a shop’s own pace', () => {
	it('is believed more the more often it was seen', () => {
		const after = (times: number) => learnedPace(took(20, times)).get('undo-bottom')!;
		expect(after(1).factor).toBeCloseTo(2 ** (1 / 6), 9);
		expect(after(5).weight).toBe(0.5);
		expect(after(5).factor).toBeCloseTo(Math.SQRT2, 9);
		expect(after(1000).factor).toBeCloseTo(2, 1);
	});

	it('leaves out steps that somebody forgot to end', () => {
		expect([0.05, 0.2, 1, 9, 11].map(believable)).toEqual([false, true, true, true, false]);
		expect(learnedPace([]).size).toBe(0);
	});

	it('over all kinds is what whole jobs are multiplied by', () => {
		expect(overallPace([])).toBe(1);
		const mixed: TimedKind[] = [...took(20, 5), { kind: 'lift', steps: 5, logRatios: 0 }];
		// Ten records of mean ln 2 / 2, shrunk by 10/15.
		expect(overallPace(mixed)).toBeCloseTo(2 ** (1 / 3), 9);
	});

	it('is used for the next job', () => {
		const learned = learnedPace(took(20, 5));
		const { steps } = workOrder(scope('none'));
		const [usual, own] = [
			stepMinutes(steps, scope('none')),
			stepMinutes(steps, scope('none'), learned)
		];
		expect(own.get('FL/undo-bottom')!.likely).toBeCloseTo(
			usual.get('FL/undo-bottom')!.likely * Math.SQRT2,
			9
		);
	});
});
