/** When a job's steps run, who does them, and when it will be finished. */
import { randomBeta } from 'd3-random';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { ok, type Result } from '../result.ts';
import { distribution, type Distribution } from '../uncertainty/monte-carlo.ts';
import { meanMinutes } from '../work/minutes.ts';
import type { Minutes } from '../work/terms.ts';
import { solveProject } from './project.ts';

export interface TimedTask extends Minutes {
	id: string;
	/** One person fits at a place. */
	spot: string;
	after: readonly string[];
}

export interface TimelineInput {
	/** In the order they would be done by one person. */
	tasks: readonly TimedTask[];
	people: number;
	samples: number;
	/** The same seed gives the same answer. */
	seed: number;
}

export interface Timeline {
	bars: { id: string; startMin: number; endMin: number; person: number }[];
	makespanMin: number;
	/** No schedule of these steps is shorter. */
	lowerBoundMin: number;
	proven: boolean;
	/** Of the whole, minutes: each step drawn anew, everyone keeping to their own list. */
	finish: Distribution;
}

/**
 * Steps scheduled for so many people, then drawn many times over from PERT-beta distributions (Malcolm
 * et al. 1959) to tell how far the finish may be off. Steps are drawn independently.
 */
export function* timeline(input: TimelineInput): Generator<number, Result<Timeline>> {
	const { tasks, people } = input;
	const spots = [...new Set(tasks.map(({ spot }) => spot))];
	const solving = solveProject({
		capacity: { people, ...Object.fromEntries(spots.map((spot) => [`at ${spot}`, 1])) },
		tasks: tasks.map((task) => ({
			id: task.id,
			minutes: meanMinutes(task),
			needs: { people: 1, [`at ${task.spot}`]: 1 },
			after: task.after
		}))
	});
	let solved = solving.next();
	for (; !solved.done; solved = solving.next()) yield 0.7 * solved.value;
	const { starts, makespan, lowerBound, proven } = solved.value;

	const turn = tasks.map((_, i) => i).sort((a, b) => starts[a]! - starts[b]! || a - b);
	const freeAt = new Array<number>(people).fill(0);
	const person = new Array<number>(tasks.length).fill(0);
	/** Everything each task waits for: what it must, who does it, and where. */
	const waits = tasks.map((): number[] => []);
	const index = new Map(tasks.map(({ id }, i) => [id, i]));
	const lastOf = new Map<string, number>();
	for (const i of turn) {
		const task = tasks[i]!;
		// Who has just become free goes on: fewer walk across the bay.
		const able = freeAt.flatMap((free, who) => (free <= starts[i]! + 1e-6 ? [who] : []));
		const who = able.reduce((best, one) => (freeAt[one]! > freeAt[best]! ? one : best), able[0]!);
		person[i] = who;
		freeAt[who] = starts[i]! + meanMinutes(task);
		waits[i]!.push(...task.after.map((id) => index.get(id)!));
		for (const key of [`person ${who}`, `spot ${task.spot}`]) {
			if (lastOf.has(key)) waits[i]!.push(lastOf.get(key)!);
			lastOf.set(key, i);
		}
	}

	const generator = xoroshiro128plus(input.seed);
	const uniform = () => (generator.next() >>> 0) / 2 ** 32;
	const draws = tasks.map((task) => drawOf(task, uniform));
	const finishes = new Float64Array(input.samples);
	const ends = new Array<number>(tasks.length).fill(0);
	for (let s = 0; s < input.samples; s++) {
		if (s % 200 === 199) yield 0.7 + (0.3 * s) / input.samples;
		let last = 0;
		for (const i of turn) {
			let ready = 0;
			for (const before of waits[i]!) ready = Math.max(ready, ends[before]!);
			ends[i] = ready + draws[i]!();
			last = Math.max(last, ends[i]!);
		}
		finishes[s] = last;
	}
	return ok({
		bars: tasks.map((task, i) => ({
			id: task.id,
			startMin: starts[i]!,
			endMin: starts[i]! + meanMinutes(task),
			person: person[i]!
		})),
		makespanMin: makespan,
		lowerBoundMin: lowerBound,
		proven,
		finish: distribution(finishes.sort())
	});
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
