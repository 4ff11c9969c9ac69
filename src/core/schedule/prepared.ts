/** A project in the form the solver works on: tasks by index, resources by number. */
import type { Project } from './project.ts';

export interface Prepared {
	n: number;
	minutes: number[];
	needs: [resource: number, units: number][][];
	/** By resource: the tasks that need it. */
	users: [task: number, units: number][][];
	capacity: number[];
	before: number[][];
	next: number[][];
	holds: { resource: number; from: number; until: number }[];
	/** By task: resources that are held from it on. */
	heldFrom: number[][];
	/** Longest way from the start of a task to the end of the project. */
	tail: number[];
	lowerBound: number;
}

/** Times nearer than this are the same, minutes. */
export const slack = 1e-9;

/** @throws when tasks wait in a circle, or one needs more than there is: a programming error */
export function prepare({ tasks, capacity, holds = [] }: Project): Prepared {
	const index = new Map(tasks.map(({ id }, i) => [id, i]));
	const names = Object.keys(capacity);
	const { before, next } = ordered(tasks.map(({ after }) => after.map((id) => index.get(id)!)));
	const resource = (of: string, units: number, name: string): number => {
		const most = capacity[name] ?? 0;
		if (units > most) throw new Error(`${of} needs ${units} of ${name}; there is ${most}`);
		return names.indexOf(name);
	};
	const held = holds.map((hold) => ({
		resource: resource(hold.from, 1, hold.resource),
		from: index.get(hold.from)!,
		until: index.get(hold.until)!
	}));
	const prepared: Prepared = {
		n: tasks.length,
		minutes: tasks.map((task) => task.minutes),
		needs: tasks.map((task) =>
			Object.entries(task.needs).map(([name, units]): [number, number] => [
				resource(task.id, units, name),
				units
			])
		),
		users: names.map((name) =>
			tasks.flatMap(({ needs }, i): [number, number][] => (needs[name] ? [[i, needs[name]]] : []))
		),
		capacity: names.map((name) => capacity[name]!),
		before,
		next,
		holds: held,
		heldFrom: heldFrom(tasks.length, held),
		tail: [],
		lowerBound: 0
	};
	const order = topological(before, next);
	prepared.tail = longestWays(prepared, [...order].reverse(), next);
	prepared.lowerBound = lowerBound(prepared, order);
	return prepared;
}

/** What each task waits for, and what waits for it. */
export function ordered(before: number[][]): Pick<Prepared, 'before' | 'next'> {
	const next: number[][] = before.map(() => []);
	before.forEach((list, i) => list.forEach((earlier) => next[earlier]!.push(i)));
	return { before, next };
}

/** The same project run backwards: what came last comes first, and what was held until is held from. */
export function turned(p: Prepared): Prepared {
	const holds = p.holds.map(({ resource, from, until }) => ({
		resource,
		from: until,
		until: from
	}));
	return { ...p, before: p.next, next: p.before, holds, heldFrom: heldFrom(p.n, holds) };
}

function heldFrom(n: number, holds: Prepared['holds']): number[][] {
	const lists = Array.from({ length: n }, (): number[] => []);
	for (const { from, resource } of holds) lists[from]!.push(resource);
	return lists;
}

/** Last moment of a schedule. */
export const finishOf = (p: Prepared, starts: readonly number[]): number =>
	Math.max(0, ...starts.map((start, i) => start + p.minutes[i]!));

function topological(before: number[][], next: number[][]): number[] {
	const missing = before.map((list) => list.length);
	const order = missing.flatMap((count, i) => (count === 0 ? [i] : []));
	for (let at = 0; at < order.length; at++) {
		for (const after of next[order[at]!]!) if (--missing[after]! === 0) order.push(after);
	}
	if (order.length < before.length) throw new Error('The tasks wait in a circle');
	return order;
}

/** Minutes of the longest chain that begins with each task, its own minutes in it. */
function longestWays(p: Prepared, backwards: readonly number[], next: number[][]): number[] {
	const ways = new Array<number>(p.n).fill(0);
	for (const i of backwards) {
		ways[i] = p.minutes[i]! + Math.max(0, ...next[i]!.map((after) => ways[after]!));
	}
	return ways;
}

/**
 * No schedule is shorter than this: the longest chain; for each resource its work, and what is held the
 * least it can be, shared evenly; and where everything else comes either before or after a task, the
 * stretches between such tasks one by one.
 */
function lowerBound(p: Prepared, order: readonly number[]): number {
	const heads = longestWays(p, order, p.before);
	const later = descendants(p, order);
	const bounds = p.capacity.map((capacity, r) => {
		const own = p.holds.filter(({ resource }) => resource === r);
		if (own.length === 0) return 0;
		const held = own.reduce((sum, hold) => sum + leastHold(p, hold, order, later), 0);
		const first = Math.min(...own.map(({ from }) => heads[from]! - p.minutes[from]!));
		const last = Math.min(...own.map(({ until }) => p.tail[until]! - p.minutes[until]!));
		return first + held / capacity + last;
	});
	return Math.max(...bounds, inStretches(p, order, later), 0);
}

/** Minutes that a set of tasks takes at least, if nothing else were to be done. */
function leastOf(p: Prepared, tasks: readonly number[]): number {
	const ends = new Map<number, number>();
	const work = p.capacity.map(() => 0);
	for (const i of tasks) {
		const ready = Math.max(0, ...p.before[i]!.map((b) => ends.get(b) ?? 0));
		ends.set(i, ready + p.minutes[i]!);
		for (const [resource, units] of p.needs[i]!) work[resource]! += units * p.minutes[i]!;
	}
	return Math.max(0, ...ends.values(), ...work.map((sum, r) => sum / p.capacity[r]!));
}

/** The same, stretch by stretch between tasks that all others come before or after. In their order. */
function inStretches(p: Prepared, tasks: readonly number[], later: ReadonlySet<number>[]): number {
	const inIt = new Set(tasks);
	const within = (set: ReadonlySet<number>) => [...set].filter((i) => inIt.has(i)).length;
	const earlier = new Map(tasks.map((i) => [i, 0]));
	for (const i of tasks) {
		for (const after of later[i]!) if (inIt.has(after)) earlier.set(after, earlier.get(after)! + 1);
	}
	let sum = 0;
	let stretch: number[] = [];
	for (const i of tasks) {
		if (within(later[i]!) + earlier.get(i)! < tasks.length - 1) stretch.push(i);
		else {
			sum += leastOf(p, stretch) + p.minutes[i]!;
			stretch = [];
		}
	}
	return sum + leastOf(p, stretch);
}

/** Minutes from the start of a hold's first task to the end of its last, whatever else is done. */
function leastHold(
	p: Prepared,
	{ from, until }: Prepared['holds'][number],
	order: readonly number[],
	later: ReadonlySet<number>[]
): number {
	const between = order.filter(
		(i) => (i === from || later[from]!.has(i)) && (i === until || later[i]!.has(until))
	);
	return inStretches(p, between, later);
}

/** For each task, those that wait for it by whatever way. */
function descendants(p: Prepared, order: readonly number[]): ReadonlySet<number>[] {
	const later = Array.from({ length: p.n }, () => new Set<number>());
	for (const i of [...order].reverse()) {
		for (const after of p.next[i]!) {
			later[i]!.add(after);
			for (const further of later[after]!) later[i]!.add(further);
		}
	}
	return later;
}
