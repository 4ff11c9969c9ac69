import { describe, expect, it } from 'vitest';
import { layouts } from '../layout/catalogue';
import { finish } from '../uncertainty/monte-carlo';
import { meanMinutes, stepMinutes } from '../work/minutes';
import { workOrder } from '../work/order';
import { replay } from '../work/replay/replay';
import { usualStrategy, type WorkScope } from '../work/scope';
import { timedCar, unplannedCar } from './cars';
import { expectedMinutes, timeline, type Means, type TimedCar, type TimedTask } from './timeline';

/** Lists and a short look around them: what is told here does not rest on the last minute saved. */
const budget = { placed: 3_000, tries: 60_000 };
const runDay = (cars: readonly TimedCar[], means: Means, samples = 500) => {
	const result = finish(timeline({ cars, ...means, samples, seed: 7 }, budget));
	if (!result.ok) throw new Error();
	return result.value;
};
const run = (tasks: readonly TimedTask[], people: number, samples = 4000) =>
	runDay([{ id: 'car', tasks, people }], { people, lifts: 1, bays: 1 }, samples);

function carOf(scope: WorkScope, id = 'car'): TimedCar {
	const order = workOrder(scope);
	return timedCar(id, order, stepMinutes(order.steps, scope), scope.strategy.people);
}
const tasksOf = (scope: WorkScope) => carOf(scope).tasks;

const strutCar = (strategy: Partial<WorkScope['strategy']> = {}): WorkScope => ({
	axles: { front: { damper: true, spring: false, bushes: false } },
	corners: ['FL', 'FR'],
	layouts: { front: layouts[0]!, rear: layouts[0]! },
	strategy: { ...usualStrategy, sides: 'together', ...strategy },
	rust: 'light'
});

describe('the timeline', () => {
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

	it('lends a hand where a step takes two, and nobody is in two places for it', () => {
		const task = (id: string, spot: string, more: Partial<TimedTask> = {}): TimedTask => ({
			id,
			spot,
			after: [],
			low: 10,
			likely: 10,
			high: 10,
			...more
		});
		const cars: TimedCar[] = [
			{ id: 'a', people: 1, tasks: [task('lower', 'RL', { people: 2 })] },
			{ id: 'b', people: 1, tasks: [task('other', 'FL')] }
		];
		const line = runDay(cars, { people: 2, lifts: 2, bays: 2 }, 50);
		// Both are needed at the one: the other waits.
		expect(line.makespanMin).toBeCloseTo(20, 9);
		const lower = line.bars.find(({ id }) => id === 'lower')!;
		expect(new Set([lower.person, lower.helper])).toEqual(new Set([0, 1]));
		expect(line.finish.mean).toBeCloseTo(20, 9);
		const alone = runDay(cars.slice(0, 1), { people: 1, lifts: 1, bays: 1 }, 50);
		expect(alone.bars[0]).toMatchObject({ person: 0 });
		expect(alone.bars[0]!.helper).toBeUndefined();
	});

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
		const tasks = tasksOf(strutCar()).slice(0, 12);
		expect(run(tasks, 2, 300).finish).toEqual(run(tasks, 2, 300).finish);
	});

	it('knows at once about how long two people take', () => {
		const car = carOf(strutCar({ people: 2 }));
		const solved = runDay([car], { people: 2, lifts: 1, bays: 1 }).makespanMin;
		expect(expectedMinutes(car)).toBeGreaterThanOrEqual(solved - 1e-6);
		expect(expectedMinutes(car)).toBeLessThan(1.05 * solved);
		const alone = carOf(strutCar());
		expect(expectedMinutes(alone)).toBeCloseTo(
			alone.tasks.reduce((sum, task) => sum + meanMinutes(task), 0),
			6
		);
	});
});

describe('a day of several cars', () => {
	const rear = layouts.find(({ key }) => key === 'multi-link-rear')!;
	const scopes: Record<string, WorkScope> = {
		strut: strutCar({ people: 2 }),
		links: {
			...strutCar({ people: 2 }),
			axles: { rear: { damper: true, spring: true, bushes: false } },
			corners: ['RL', 'RR'],
			layouts: { front: rear, rear }
		}
	};
	const [strut, links] = Object.entries(scopes).map(([id, scope]) => carOf(scope, id)) as [
		TimedCar,
		TimedCar
	];
	const oneLift = runDay([strut, links], { people: 2, lifts: 1, bays: 2 }, 3000);
	const overlap = (
		a: { startMin: number; endMin: number },
		b: { startMin: number; endMin: number }
	) => a.startMin < b.endMin - 1e-6 && b.startMin < a.endMin - 1e-6;

	it('never has two cars on one lift, nor more people at work than there are', () => {
		const day = oneLift;
		const [one, two] = day.cars.map(({ lift }) => lift!);
		expect(overlap(one!, two!)).toBe(false);
		for (const [i, bar] of day.bars.entries()) {
			for (const other of day.bars.slice(i + 1)) {
				if (bar.person === other.person) expect(overlap(bar, other)).toBe(false);
			}
		}
		for (const [id, scope] of Object.entries(scopes)) {
			const steps = new Map(workOrder(scope).steps.map((step) => [step.id, step]));
			const played = day.bars
				.filter(({ car }) => car === id)
				.sort((a, b) => a.startMin - b.startMin || a.endMin - b.endMin)
				.map((bar) => steps.get(bar.id)!);
			expect(replay(played, scope)).toEqual([]);
		}
		// Whoever is not at the lift begins with the other car.
		const alone = [strut, links].map(expectedMinutes);
		expect(day.makespanMin).toBeLessThan(alone[0]! + alone[1]! - 20);
	});

	it('is shorter with a second lift, and needs no second bay where cars come one after the other', () => {
		const both = runDay([strut, links], { people: 2, lifts: 2, bays: 2 });
		expect(both.makespanMin).toBeLessThan(0.95 * oneLift.makespanMin);
		expect(both.cars.map(({ bay }) => bay).sort()).toEqual([0, 1]);
		const narrow = runDay([strut, links], { people: 2, lifts: 2, bays: 1 });
		expect(narrow.cars.map(({ bay }) => bay)).toEqual([0, 0]);
		expect(overlap(narrow.cars[0]!, narrow.cars[1]!)).toBe(false);
		expect(narrow.makespanMin).toBeGreaterThan(both.makespanMin);
	});

	it('draws each car’s own finish, the last of them the day’s', () => {
		const day = oneLift;
		const last = Math.max(...day.cars.map(({ finish: own }) => own.mean));
		expect(day.finish.mean).toBeGreaterThanOrEqual(last - 1e-6);
		for (const car of day.cars) {
			expect(car.finish.mean).toBeGreaterThan(0.95 * car.endMin);
			expect(car.finish.lowerBound).toBeLessThan(car.finish.upperBound);
		}
	});

	it('is not sure of a car that nobody has planned', () => {
		const day = runDay([unplannedCar('new', 120)], { people: 1, lifts: 1, bays: 1 });
		const { mean, lowerBound, upperBound } = day.cars[0]!.finish;
		expect(mean).toBeCloseTo(120, -1);
		expect(upperBound - lowerBound).toBeGreaterThan(40);
	});

	it('has nothing to do on a day without cars', () => {
		expect(runDay([], { people: 2, lifts: 1, bays: 2 })).toMatchObject({
			bars: [],
			cars: [],
			makespanMin: 0
		});
	});
});
