/** When the steps of one car or of a day's cars run, who does them, and when each will be finished. */
import { randomBeta } from 'd3-random';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { ok, type Result } from '../result.ts';
import { distribution, type Distribution } from '../uncertainty/monte-carlo.ts';
import { meanMinutes } from '../work/minutes.ts';
import type { Minutes } from '../work/terms.ts';
import { rankBy } from './lists.ts';
import { ordered } from './prepared.ts';
import type { Hold, Project } from './project.ts';
import { solveProject, usualBudget, type SearchBudget } from './solve.ts';

export interface TimedTask extends Minutes {
	/** Its own within its car. */
	id: string;
	/** One person fits at a place, and a second one only to lend a hand. */
	spot: string;
	after: readonly string[];
	/** It takes a second person where the shop has one; from wherever they are. */
	people?: 2;
}

export interface TimedCar {
	id: string;
	/** In the order they would be done by one person. */
	tasks: readonly TimedTask[];
	/** Most people that work on it at a time. */
	people: number;
	/** It stands on a lift from the start of the one task, or from the beginning, to the end of the other. */
	lift?: { from?: string; until: string };
}

/** What a shop has. */
export interface Means {
	people: number;
	lifts: number;
	/** Places for cars, lifts among them. */
	bays: number;
}

export interface TimelineInput extends Means {
	cars: readonly TimedCar[];
	samples: number;
	/** The same seed gives the same answer. */
	seed: number;
	/** `lists`: at once, by list schedules alone, seldom far off. */
	effort?: 'lists' | 'usual';
}

export interface Timeline {
	bars: {
		car: string;
		id: string;
		startMin: number;
		endMin: number;
		person: number;
		/** Who lends a hand. */
		helper?: number;
	}[];
	/** By car: from its first step to its last, where it stands, and when it will be finished. */
	cars: {
		id: string;
		bay: number;
		startMin: number;
		endMin: number;
		lift?: { number: number; startMin: number; endMin: number };
		finish: Distribution;
	}[];
	makespanMin: number;
	/** No schedule of these steps is shorter. */
	lowerBoundMin: number;
	proven: boolean;
	/** Of the whole, minutes: each step drawn anew, everyone keeping to their own list. */
	finish: Distribution;
}

/** The place that all cars share; the others are places at a car. */
const sharedSpot = 'bench';

interface Placed extends TimedTask {
	car: TimedCar;
	/** Its place, by the name of a resource. */
	place: string;
}

/**
 * Steps scheduled for so many people, lifts and bays, then drawn many times over from PERT-beta
 * distributions (Malcolm et al. 1959) to tell how far each finish may be off. Steps are drawn
 * independently.
 */
export function* timeline(
	input: TimelineInput,
	budget: SearchBudget = usualBudget
): Generator<number, Result<Timeline>> {
	const { tasks, holds, project } = projectOf(input);
	const solving = solveProject(project, input.effort === 'lists' ? 'lists' : budget);
	let solved = solving.next();
	for (; !solved.done; solved = solving.next()) yield 0.7 * solved.value;
	const { starts, makespan, lowerBound, proven } = solved.value;
	const ends = tasks.map((task, i) => starts[i]! + meanMinutes(task));
	const index = new Map(tasks.map((task, i) => [nameOf(task.car, task.id), i]));
	const held = holds.map((hold) => {
		const [from, until] = [index.get(hold.from)!, index.get(hold.until)!];
		return { ...hold, from, until, startMin: starts[from]!, endMin: ends[until]! };
	});
	const units = unitsOf(held);

	/** Everything each task waits for: what it must, what is held, who does it, and where. */
	const waits = tasks.map(({ car, after }) => after.map((id) => index.get(nameOf(car, id))!));
	for (const [i, { resource, from, startMin }] of held.entries()) {
		const earlier = held.filter(
			(other, j) =>
				units[j] === units[i] && other.resource === resource && other.startMin < startMin
		);
		waits[from]!.push(...earlier.map(({ until }) => until));
	}
	const turn = rankBy(ordered(waits), (i) => starts[i]!);
	const crew = peopleOf(tasks, turn, starts, ends, input.people);
	const lastOf = new Map<string, number>();
	for (const i of turn.filter((one) => worked(tasks[one]!))) {
		for (const key of [...crew[i]!.map((who) => `person ${who}`), tasks[i]!.place]) {
			if (lastOf.has(key)) waits[i]!.push(lastOf.get(key)!);
			lastOf.set(key, i);
		}
	}

	const drawn = yield* drawFinishes(input, tasks, turn, waits);
	const bars = tasks.map((task, i) => ({
		car: task.car.id,
		id: task.id,
		startMin: starts[i]!,
		endMin: ends[i]!,
		person: crew[i]![0]!,
		...(crew[i]!.length > 1 && { helper: crew[i]![1]! })
	}));
	return ok({
		bars: bars.filter(worked),
		cars: input.cars.map((car, c) => {
			const own = bars.filter((bar) => bar.car === car.id);
			const at = (resource: string) =>
				held.findIndex((hold) => hold.resource === resource && tasks[hold.from]!.car === car);
			const lift = held[at('lifts')];
			return {
				id: car.id,
				bay: units[at('bays')]!,
				startMin: Math.min(...own.map(({ startMin }) => startMin)),
				endMin: Math.max(...own.map(({ endMin }) => endMin)),
				...(lift && {
					lift: { number: units[at('lifts')]!, startMin: lift.startMin, endMin: lift.endMin }
				}),
				finish: distribution(drawn.cars[c]!.sort())
			};
		}),
		makespanMin: makespan,
		lowerBoundMin: lowerBound,
		proven,
		finish: distribution(drawn.all.sort())
	});
}

/** About how long a car alone takes with so many people: by list schedules, at once. */
export function expectedMinutes(car: TimedCar): number {
	const { project } = projectOf({ cars: [car], people: car.people, lifts: 1, bays: 1 });
	const solving = solveProject(project, 'lists');
	let solved = solving.next();
	while (!solved.done) solved = solving.next();
	return solved.value.makespan;
}

const arrives = 'arrives';
const leaves = 'leaves';
const nameOf = (car: TimedCar, id: string) => `${car.id} ${id}`;
/** Somebody's work, and not only a car that comes or goes. */
const worked = ({ id }: { id: string }) => id !== arrives && id !== leaves;

/** Each car comes into a bay, goes onto a lift and off it, and leaves the bay. */
function projectOf({ cars, people, lifts, bays }: Means & Pick<TimelineInput, 'cars'>): {
	tasks: Placed[];
	holds: Hold[];
	project: Project;
} {
	const moment = { low: 0, likely: 0, high: 0 };
	const tasks = cars.flatMap((car): Placed[] => {
		const own = (task: TimedTask): Placed => ({
			...task,
			car,
			place: `at ${task.spot === sharedSpot ? sharedSpot : nameOf(car, task.spot)}`
		});
		const ids = car.tasks.map(({ id }) => id);
		return [
			own({ ...moment, id: arrives, spot: arrives, after: [] }),
			...car.tasks.map((task) =>
				own({ ...task, after: task.after.length ? task.after : [arrives] })
			),
			own({ ...moment, id: leaves, spot: leaves, after: ids.length ? ids : [arrives] })
		];
	});
	const holds = cars.flatMap((car): Hold[] => [
		{ resource: 'bays', from: nameOf(car, arrives), until: nameOf(car, leaves) },
		...(car.lift
			? [
					{
						resource: 'lifts',
						from: nameOf(car, car.lift.from ?? arrives),
						until: nameOf(car, car.lift.until)
					}
				]
			: [])
	]);
	const project: Project = {
		capacity: {
			people,
			lifts,
			bays,
			...Object.fromEntries(cars.map((car) => [`on ${car.id}`, car.people])),
			...Object.fromEntries(tasks.map(({ place }) => [place, 1]))
		},
		holds,
		tasks: tasks.map(({ car, id, place, after, people: wanted = 1, ...minutes }) => {
			// A hand that is lent comes from anywhere in the shop; where there is none, it comes from the street.
			const needs: Record<string, number> = worked({ id })
				? {
						people: Math.min(wanted, people),
						[`on ${car.id}`]: Math.min(wanted, car.people),
						[place]: 1
					}
				: {};
			return {
				id: nameOf(car, id),
				minutes: meanMinutes(minutes),
				needs,
				after: after.map((earlier) => nameOf(car, earlier))
			};
		})
	};
	return { tasks, holds, project };
}

/** Who does each task, and who lends a hand: who worked on that car last and is free, else who has just become free. */
function peopleOf(
	tasks: readonly Placed[],
	turn: readonly number[],
	starts: readonly number[],
	ends: readonly number[],
	people: number
): number[][] {
	const freeAt = new Array<number>(people).fill(0);
	const lastCar = new Array<TimedCar | undefined>(people).fill(undefined);
	const crew = tasks.map((): number[] => [0]);
	for (const i of turn) {
		const { car, people: wanted = 1 } = tasks[i]!;
		const able = freeAt.flatMap((free, who) => (free <= starts[i]! + 1e-6 ? [who] : []));
		const liking = (who: number) => (lastCar[who] === car ? 1e6 : 0) + freeAt[who]!;
		const chosen = [...able].sort((a, b) => liking(b) - liking(a) || a - b).slice(0, wanted);
		crew[i] = chosen.length ? chosen : [0];
		if (!worked(tasks[i]!)) continue;
		for (const who of crew[i]!) {
			freeAt[who] = ends[i]!;
			lastCar[who] = car;
		}
	}
	return crew;
}

/** Which unit of its resource each hold has, from 0: the first that is free. */
function unitsOf(
	held: readonly { resource: string; startMin: number; endMin: number }[]
): number[] {
	const units = new Array<number>(held.length).fill(0);
	const inOrder = held.map((_, i) => i).sort((a, b) => held[a]!.startMin - held[b]!.startMin);
	const freeAt = new Map<string, number[]>();
	for (const i of inOrder) {
		const { resource, startMin, endMin } = held[i]!;
		const own = freeAt.get(resource) ?? [];
		freeAt.set(resource, own);
		const free = own.findIndex((end) => end <= startMin + 1e-6);
		units[i] = free < 0 ? own.length : free;
		own[units[i]!] = endMin;
	}
	return units;
}

/** Last ends of all and of each car, drawn many times, every task as soon as all it waits for is over. */
function* drawFinishes(
	{ cars, samples, seed }: TimelineInput,
	tasks: readonly Placed[],
	turn: readonly number[],
	waits: readonly number[][]
): Generator<number, { all: Float64Array; cars: Float64Array[] }> {
	const generator = xoroshiro128plus(seed);
	const uniform = () => (generator.next() >>> 0) / 2 ** 32;
	const draws = tasks.map((task) => drawOf(task, uniform));
	const lastTask = cars.map((car) =>
		tasks.findIndex((task) => task.car === car && task.id === leaves)
	);
	const all = new Float64Array(samples);
	const byCar = cars.map(() => new Float64Array(samples));
	const ends = new Array<number>(tasks.length).fill(0);
	for (let s = 0; s < samples; s++) {
		if (s % 200 === 199) yield 0.7 + (0.3 * s) / samples;
		for (const i of turn) {
			let ready = 0;
			for (const before of waits[i]!) ready = Math.max(ready, ends[before]!);
			ends[i] = ready + draws[i]!();
		}
		for (const [c, i] of lastTask.entries()) {
			byCar[c]![s] = ends[i]!;
			all[s] = Math.max(all[s]!, ends[i]!);
		}
	}
	return { all, cars: byCar };
}

function drawOf({ low, likely, high }: Minutes, uniform: () => number): () => number {
	const range = high - low;
	if (range <= 0) return () => low;
	const beta = randomBeta.source(uniform)(
		1 + (4 * (likely - low)) / range,
		1 + (4 * (high - likely)) / range
	);
	return () => low + range * beta();
}
