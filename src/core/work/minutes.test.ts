import { describe, expect, it } from 'vitest';
import { findLayout, layouts } from '../layout/catalogue';
import {
	believable,
	learnedPace,
	meanMinutes,
	overallPace,
	stepMinutes,
	type TimedKind
} from './minutes';
import { workOrder } from './order';
import { usualStrategy, type AxleScope, type WorkScope } from './scope';

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

/** Mean hours of a job without rust, and of them those at one corner. Common practice, no source. */
function hours(
	key: string,
	want: Partial<AxleScope>,
	one = false
): { all: number; corner: number } {
	const layout = findLayout(key)!;
	const front = layout.axles[0] === 'front';
	const pair = front ? (['FL', 'FR'] as const) : (['RL', 'RR'] as const);
	const job: WorkScope = {
		axles: {
			[front ? 'front' : 'rear']: { damper: false, spring: false, bushes: false, ...want }
		},
		corners: one ? [pair[0]] : pair,
		layouts: { front: layout, rear: layout },
		strategy: usualStrategy,
		rust: 'none'
	};
	const { steps } = workOrder(job);
	const minutes = stepMinutes(steps, job);
	const sum = (list: typeof steps) =>
		list.reduce((all, { id }) => all + meanMinutes(minutes.get(id)!), 0) / 60;
	return { all: sum(steps), corner: sum(steps.filter(({ at }) => at === pair[0])) };
}

describe('the hours of a job', () => {
	it.each([
		['rear dampers behind trim', 'multi-link-rear', { damper: true }, 1.5, 2.5],
		['a strut pair, rebuilt', 'macpherson-front', { damper: true }, 2.5, 4],
		['a strut pair in clamps, rebuilt', 'macpherson-clamp', { damper: true }, 2.5, 4]
	] as const)('are as shops know them for %s', (_, key, want, low, high) => {
		const { all } = hours(key, want);
		expect(all).toBeGreaterThanOrEqual(low);
		expect(all).toBeLessThanOrEqual(high);
	});

	it.each(['macpherson-front', 'macpherson-clamp'])(
		'are five to seven for all four corners converted to complete units, %s in front',
		(front) => {
			const want = { damper: false, spring: false, bushes: false, also: ['coilover'] };
			const job: WorkScope = {
				axles: { front: want, rear: want },
				corners: ['FL', 'FR', 'RL', 'RR'],
				layouts: { front: findLayout(front)!, rear: findLayout('multi-link-rear')! },
				strategy: { ...usualStrategy, assembly: 'complete' },
				rust: 'none'
			};
			const { steps } = workOrder(job);
			const minutes = stepMinutes(steps, job);
			const all = steps.reduce((sum, { id }) => sum + meanMinutes(minutes.get(id)!), 0) / 60;
			expect(all).toBeGreaterThan(5);
			expect(all).toBeLessThan(7);
		}
	);

	it('are about one and a half at the first arm whose bushes are pressed, and half at the second', () => {
		const want = { also: ['bush:lower-arm'] };
		const first = hours('macpherson-front', want, true);
		expect(first.corner).toBeGreaterThan(1);
		expect(first.corner).toBeLessThan(1.75);
		const second = hours('macpherson-front', want).all - first.all;
		expect(second / first.corner).toBeCloseTo(0.5, 1);
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
