import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Scheduling of tasks that wait for each other and share people and places. */

export interface Task {
	id: string;
	minutes: number;
	/** Units of each resource it holds while it runs. */
	needs: Readonly<Record<string, number>>;
	/** Ids of tasks that end before it starts. */
	after: readonly string[];
}

export interface Project {
	tasks: readonly Task[];
	/** Units there are of each resource. */
	capacity: Readonly<Record<string, number>>;
}

export interface Schedule {
	/** Start of each task, minutes from the start of the project, in the order of `tasks`. */
	starts: number[];
	makespan: number;
	/** No schedule is shorter than this. */
	lowerBound: number;
	/** True when the schedule is known to be the shortest. */
	proven: boolean;
}

interface Prepared {
	n: number;
	minutes: number[];
	needs: [resource: number, units: number][][];
	capacity: number[];
	before: number[][];
	next: number[][];
	/** Longest way from the start of a task to the end of the project. */
	tail: number[];
	lowerBound: number;
	order: number[];
}

/** Nodes of the search that are looked at before the best so far is taken. */
const mostNodes = 60_000;
const nodesAStep = 2000;
/** Schedules tried around the best one; the seed makes each run the same. */
const shakes = 600;
const shakeSeed = 20;
const slack = 1e-9;

/**
 * The shortest schedule: list schedules with several priorities and forward–backward passes first, then
 * depth-first branch and bound over active schedules (serial generation, Kolisch 1996; branching on
 * tasks that can start before any other could end, Giffler and Thompson 1960). A generator, so that a
 * worker can show progress and be stopped.
 *
 * @throws when tasks wait in a circle, or one needs more than there is: a programming error
 */
export function* solveProject(project: Project): Generator<number, Schedule> {
	const p = prepare(project);
	if (p.n === 0) return { starts: [], makespan: 0, lowerBound: 0, proven: true };
	// As listed, first: nothing is moved about for no gain.
	let best = serial(
		p,
		rankBy(p, (i) => i)
	);
	const take = (starts: number[]) => {
		if (end(p, starts) < end(p, best) - slack) best = starts;
	};
	take(
		serial(
			p,
			rankBy(p, (i) => -p.tail[i]!)
		)
	);
	take(
		serial(
			p,
			rankBy(p, (i) => -p.minutes[i]!)
		)
	);
	take(
		serial(
			p,
			rankBy(p, (i) => -p.next[i]!.length - p.tail[i]! / 1e6)
		)
	);
	for (let pass = 0; pass < 3; pass++) take(justified(p, best));
	// Around the best so far: starts shaken a little, more now and then.
	const random = xoroshiro128plus(shakeSeed);
	const uniform = () => (random.next() >>> 0) / 2 ** 32;
	for (let round = 0; round < shakes && end(p, best) > p.lowerBound + slack; round++) {
		const strength = end(p, best) * (0.05 + 0.3 * uniform());
		const noise = best.map(() => strength * uniform());
		const shaken = serial(
			p,
			rankBy(p, (i) => best[i]! + noise[i]!)
		);
		take(justified(p, justified(p, shaken)));
		if (round % 50 === 49) yield (0.3 * round) / shakes;
	}

	const search = branchAndBound(p, best);
	for (;;) {
		const step = search.next();
		if (step.done) {
			best = step.value.starts;
			const makespan = end(p, best);
			const proven = step.value.complete || makespan <= p.lowerBound + slack;
			return {
				starts: best,
				makespan,
				lowerBound: proven ? makespan : p.lowerBound,
				proven
			};
		}
		yield 0.3 + 0.7 * step.value;
	}
}

function prepare({ tasks, capacity }: Project): Prepared {
	const index = new Map(tasks.map(({ id }, i) => [id, i]));
	const names = Object.keys(capacity);
	const n = tasks.length;
	const before = tasks.map(({ after }) => after.map((id) => index.get(id)!));
	const next: number[][] = tasks.map(() => []);
	before.forEach((list, i) => list.forEach((earlier) => next[earlier]!.push(i)));
	const order = topological(before, next);
	const minutes = tasks.map((task) => task.minutes);
	const needs = tasks.map((task) =>
		Object.entries(task.needs).map(([name, units]): [number, number] => {
			if (units > (capacity[name] ?? 0)) {
				throw new Error(`${task.id} needs ${units} of ${name}; there is ${capacity[name] ?? 0}`);
			}
			return [names.indexOf(name), units];
		})
	);
	const tail = new Array<number>(n).fill(0);
	for (const i of [...order].reverse()) {
		tail[i] = minutes[i]! + Math.max(0, ...next[i]!.map((after) => tail[after]!));
	}
	const work = names.map((_, r) =>
		needs.reduce(
			(sum, list, i) => sum + list.reduce((s, [k, u]) => s + (k === r ? u * minutes[i]! : 0), 0),
			0
		)
	);
	return {
		n,
		minutes,
		needs,
		capacity: names.map((name) => capacity[name]!),
		before,
		next,
		tail,
		order,
		lowerBound: Math.max(0, ...tail, ...work.map((sum, r) => sum / capacity[names[r]!]!))
	};
}

function topological(before: number[][], next: number[][]): number[] {
	const missing = before.map((list) => list.length);
	const order = missing.flatMap((count, i) => (count === 0 ? [i] : []));
	for (let at = 0; at < order.length; at++) {
		for (const after of next[order[at]!]!) if (--missing[after]! === 0) order.push(after);
	}
	if (order.length < before.length) throw new Error('The tasks wait in a circle');
	return order;
}

/** A list that keeps the precedences, lowest value first. */
function rankBy(p: Prepared, value: (i: number) => number): number[] {
	const missing = p.before.map((list) => list.length);
	const free = missing.flatMap((count, i) => (count === 0 ? [i] : []));
	const list: number[] = [];
	while (free.length) {
		let pick = 0;
		for (let k = 1; k < free.length; k++) if (value(free[k]!) < value(free[pick]!)) pick = k;
		const [i] = free.splice(pick, 1) as [number];
		list.push(i);
		for (const after of p.next[i]!) if (--missing[after]! === 0) free.push(after);
	}
	return list;
}

const end = (p: Prepared, starts: readonly number[]) =>
	Math.max(...starts.map((start, i) => start + p.minutes[i]!));

/** Places each task of a list as early as those before it in the list let it. */
function serial(p: Prepared, list: readonly number[]): number[] {
	const starts = new Array<number>(p.n).fill(NaN);
	const placed: number[] = [];
	for (const i of list) {
		const ready = Math.max(0, ...p.before[i]!.map((b) => starts[b]! + p.minutes[b]!));
		starts[i] = earliest(p, i, ready, starts, placed);
		placed.push(i);
	}
	return starts;
}

function earliest(
	p: Prepared,
	i: number,
	ready: number,
	starts: readonly number[],
	placed: readonly number[]
): number {
	let at = ready;
	for (;;) {
		const clash = firstClash(p, i, at, starts, placed);
		if (clash === undefined) return at;
		at = clash;
	}
}

/** Undefined when task `i` fits at `at`; else the next moment worth trying. */
function firstClash(
	p: Prepared,
	i: number,
	at: number,
	starts: readonly number[],
	placed: readonly number[]
): number | undefined {
	const until = at + p.minutes[i]!;
	for (const [resource, units] of p.needs[i]!) {
		const busy = placed.filter((j) => {
			const start = starts[j]!;
			const overlaps = start < until - slack && start + p.minutes[j]! > at + slack;
			return overlaps && p.needs[j]!.some(([k]) => k === resource);
		});
		// Use peaks where something starts: at the task's own start, or at that of another within it.
		for (const moment of [at, ...busy.map((j) => Math.max(at, starts[j]!))]) {
			let used = units;
			let free = Infinity;
			for (const j of busy) {
				const stop = starts[j]! + p.minutes[j]!;
				if (starts[j]! > moment + slack || stop <= moment + slack) continue;
				used += p.needs[j]!.find(([k]) => k === resource)![1];
				free = Math.min(free, stop);
			}
			if (used > p.capacity[resource]!) return free;
		}
	}
	return undefined;
}

/** Everything as late as can be, then as early as can be: never longer, often shorter (Valls et al. 2005). */
function justified(p: Prepared, starts: readonly number[]): number[] {
	const makespan = end(p, starts);
	const turned: Prepared = { ...p, before: p.next, next: p.before };
	const late = rankByTime(starts.map((start, i) => -(start + p.minutes[i]!)));
	const mirrored = serial(turned, late);
	return serial(p, rankByTime(mirrored.map((start, i) => makespan - start - p.minutes[i]!)));
}

const rankByTime = (times: readonly number[]): number[] =>
	times.map((_, i) => i).sort((a, b) => times[a]! - times[b]! || a - b);

function* branchAndBound(
	p: Prepared,
	start: number[]
): Generator<number, { starts: number[]; complete: boolean }> {
	let best = start;
	let bound = end(p, best);
	let nodes = 0;
	const starts = new Array<number>(p.n).fill(NaN);
	const placed: number[] = [];
	const missing = p.before.map((list) => list.length);

	function* look(last: number): Generator<number> {
		if (bound <= p.lowerBound + slack || nodes > mostNodes) return;
		if (++nodes % nodesAStep === 0) yield nodes / mostNodes;
		if (placed.length === p.n) {
			const makespan = end(p, starts);
			if (makespan < bound - slack) {
				bound = makespan;
				best = [...starts];
			}
			return;
		}
		const choices: { i: number; at: number }[] = [];
		let firstEnd = Infinity;
		for (let i = 0; i < p.n; i++) {
			if (missing[i]! > 0 || !Number.isNaN(starts[i]!)) continue;
			const ready = Math.max(0, ...p.before[i]!.map((b) => starts[b]! + p.minutes[b]!));
			const at = earliest(p, i, ready, starts, placed);
			if (at + p.tail[i]! >= bound - slack) return;
			choices.push({ i, at });
			firstEnd = Math.min(firstEnd, at + p.minutes[i]!);
		}
		const open = choices
			.filter(({ i, at }) => at < firstEnd - slack || p.minutes[i] === 0)
			.filter(({ at }) => at >= last - slack)
			.sort((a, b) => a.at - b.at || p.tail[b.i]! - p.tail[a.i]!);
		for (const { i, at } of open) {
			starts[i] = at;
			placed.push(i);
			for (const after of p.next[i]!) missing[after]!--;
			yield* look(at);
			for (const after of p.next[i]!) missing[after]!++;
			placed.pop();
			starts[i] = NaN;
		}
	}
	yield* look(0);
	return { starts: best, complete: nodes <= mostNodes };
}
