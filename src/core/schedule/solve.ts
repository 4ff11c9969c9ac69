/** The shortest schedule of a project. */
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { justified, rankBy, serial } from './lists.ts';
import { finishOf, prepare, slack } from './prepared.ts';
import type { Project } from './project.ts';
import { branchAndBound } from './search.ts';

export interface Schedule {
	/** Start of each task, minutes from the start of the project, in the order of `tasks`. */
	starts: number[];
	makespan: number;
	/** No schedule is shorter than this. */
	lowerBound: number;
	/** True when the schedule is known to be the shortest. */
	proven: boolean;
}

/** How much is tried, counted and not timed: a loaded machine answers the same. */
export interface SearchBudget {
	/** Tasks placed in schedules around the best one: schedules times tasks. */
	placed: number;
	/** Starts tried by the exact search: nodes times tasks. */
	tries: number;
}

export const usualBudget: SearchBudget = { placed: 30_000, tries: 3_000_000 };

/** Schedules tried around the best one, and for large projects fewer; the seed makes each run the same. */
const mostShakes = 600;
const shakeSeed = 20;

/**
 * The shortest schedule: list schedules by several priorities and forward–backward passes first, then
 * others around the best of them, then an exact search as far as it goes. A generator, so that a worker
 * can show progress and be stopped.
 *
 * @param effort `lists` stops after the first list schedules: at once, and seldom far off; else how much is tried
 * @throws when tasks wait in a circle, or one needs more than there is: a programming error
 */
export function* solveProject(
	project: Project,
	effort: 'lists' | SearchBudget = usualBudget
): Generator<number, Schedule> {
	const p = prepare(project);
	if (p.n === 0) return { starts: [], makespan: 0, lowerBound: 0, proven: true };
	// As listed, first: nothing is moved about for no gain.
	const priorities: ((i: number) => number)[] = [
		(i) => i,
		(i) => -p.tail[i]!,
		(i) => -p.minutes[i]!,
		(i) => -p.next[i]!.length - p.tail[i]! / 1e6
	];
	let best: number[] | undefined;
	const take = (starts: number[]) => {
		if (!best || finishOf(p, starts) < finishOf(p, best) - slack) best = starts;
	};
	for (const priority of priorities) take(serial(p, rankBy(p, priority)));
	for (let pass = 0; pass < 3; pass++) take(justified(p, best!));
	let complete = false;
	if (effort !== 'lists') {
		best = yield* shaken(best!, effort.placed);
		const search = branchAndBound(p, best, effort.tries);
		let step = search.next();
		for (; !step.done; step = search.next()) yield 0.3 + 0.7 * step.value;
		({ starts: best, complete } = step.value);
	}
	const makespan = finishOf(p, best!);
	const proven = complete || makespan <= p.lowerBound + slack;
	return { starts: best!, makespan, lowerBound: proven ? makespan : p.lowerBound, proven };

	/** Around the best so far: starts shaken a little, more now and then. */
	function* shaken(from: number[], placed: number): Generator<number, number[]> {
		let found = from;
		const shakes = Math.min(mostShakes, Math.ceil(placed / p.n));
		const random = xoroshiro128plus(shakeSeed);
		const uniform = () => (random.next() >>> 0) / 2 ** 32;
		for (let round = 0; round < shakes && finishOf(p, found) > p.lowerBound + slack; round++) {
			const strength = finishOf(p, found) * (0.05 + 0.3 * uniform());
			const times = found.map((start) => start + strength * uniform());
			const tried = serial(
				p,
				rankBy(p, (i) => times[i]!)
			);
			const better = justified(p, justified(p, tried));
			if (finishOf(p, better) < finishOf(p, found) - slack) found = better;
			if (round % 10 === 9) yield (0.3 * round) / shakes;
		}
		return found;
	}
}
