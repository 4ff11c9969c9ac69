import { describe, expect, it } from 'vitest';
import { layouts } from '../layout/catalogue';
import { finish } from '../uncertainty/monte-carlo';
import { meanMinutes, stepMinutes } from '../work/minutes';
import { workOrder } from '../work/order';
import { replay } from '../work/replay';
import { usualStrategy, type WorkScope } from '../work/scope';
import { timeline, type TimedTask } from './timeline';

const run = (tasks: readonly TimedTask[], people: number, samples = 4000) => {
	const result = finish(timeline({ tasks, people, samples, seed: 7 }));
	if (!result.ok) throw new Error();
	return result.value;
};

function tasksOf(scope: WorkScope): TimedTask[] {
	const order = workOrder(scope);
	const minutes = stepMinutes(order.steps, scope);
	return order.steps.map((step) => ({
		id: step.id,
		spot: step.spot,
		after: [...order.waitsFor.get(step.id)!.keys()],
		...minutes.get(step.id)!
	}));
}

const strutCar = (strategy: Partial<WorkScope['strategy']> = {}): WorkScope => ({
	axles: { front: { damper: true, spring: false, bushes: false } },
	corners: ['FL', 'FR'],
	layouts: { front: layouts[0]!, rear: layouts[0]! },
	strategy: { ...usualStrategy, sides: 'together', ...strategy },
	rust: 'light'
});

describe('the timeline', { timeout: 60_000 }, () => {
	it('keeps one person to the order of work, one step after the other', () => {
		const tasks = tasksOf(strutCar());
		const line = run(tasks, 1);
		expect(line.makespanMin).toBeCloseTo(
			tasks.reduce((sum, task) => sum + meanMinutes(task), 0),
			6
		);
		expect(line.proven).toBe(true);
		const starts = line.bars.map(({ startMin }) => startMin);
		expect(starts).toEqual([...starts].sort((a, b) => a - b));
	});

	it.each(layouts.map((layout) => [layout.key, layout] as const))(
		'is shorter with two people on %s, nobody in two places, and still safe',
		(_, layout) => {
			const axle = layout.axles[0]!;
			const scope: WorkScope = {
				...strutCar(),
				axles: { [axle]: { damper: true, spring: true, bushes: false } },
				corners: axle === 'front' ? ['FL', 'FR'] : ['RL', 'RR'],
				layouts: { front: layout, rear: layout }
			};
			const tasks = tasksOf(scope);
			const [one, two] = [run(tasks, 1, 500), run(tasks, 2, 500)];
			expect(two.makespanMin).toBeLessThan(0.85 * one.makespanMin);
			expect(two.makespanMin).toBeGreaterThanOrEqual(two.lowerBoundMin - 1e-6);
			for (const who of [0, 1]) {
				const own = two.bars
					.filter(({ person }) => person === who)
					.sort((a, b) => a.startMin - b.startMin);
				own.slice(1).forEach((bar, i) => {
					expect(bar.startMin).toBeGreaterThanOrEqual(own[i]!.endMin - 1e-6);
				});
			}
			const steps = new Map(workOrder(scope).steps.map((step) => [step.id, step]));
			const played = [...two.bars]
				.sort((a, b) => a.startMin - b.startMin || a.endMin - b.endMin)
				.map(({ id }) => steps.get(id)!);
			expect(replay(played, scope)).toEqual([]);
		}
	);

	it('bands the finish as the sum of independent steps does: PERT mean and variance in closed form', () => {
		const tasks: TimedTask[] = Array.from({ length: 20 }, (_, i) => ({
			id: String(i),
			spot: 'car',
			after: i ? [String(i - 1)] : [],
			low: 2,
			likely: 5,
			high: 14
		}));
		const { finish: band } = run(tasks, 1, 20_000);
		// A beta with α = 1 + 4(m − l)/(h − l), β likewise: mean (l + 4m + h)/6, variance (µ − l)(h − µ)/7.
		const mean = (2 + 20 + 14) / 6;
		const variance = ((mean - 2) * (14 - mean)) / 7;
		expect(band.mean).toBeCloseTo(20 * mean, 0);
		expect(band.standardDeviation).toBeCloseTo(Math.sqrt(20 * variance), 0);
		expect(band.lowerBound).toBeLessThan(band.mean);
		expect(band.upperBound).toBeGreaterThan(band.mean);
	});

	it('gives the same band for the same seed', () => {
		const tasks = tasksOf(strutCar());
		expect(run(tasks, 2, 300).finish).toEqual(run(tasks, 2, 300).finish);
	});
});
