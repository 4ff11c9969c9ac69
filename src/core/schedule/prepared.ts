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

/** Longest chain; and for each resource its work, what is held the least it can be, shared evenly. */
function lowerBound(p: Prepared, order: readonly number[]): number {
	const heads = longestWays(p, order, p.before);
	const bounds = p.capacity.map((capacity, r) => {
		const own = p.holds.filter(({ resource }) => resource === r);
		const work = p.users[r]!.reduce((sum, [i, units]) => sum + units * p.minutes[i]!, 0);
		if (own.length === 0) return work / capacity;
		const held = own.reduce((sum, hold) => sum + leastHold(p, hold, order), 0);
		const first = Math.min(...own.map(({ from }) => heads[from]! - p.minutes[from]!));
		const last = Math.min(...own.map(({ until }) => p.tail[until]! - p.minutes[until]!));
		return first + (work + held) / capacity + last;
	});
	return Math.max(0, ...p.tail, ...bounds);
}

/** Minutes from the start of a hold's first task to the end of its last, if nothing but order delayed it. */
function leastHold(
	p: Prepared,
	{ from, until }: Prepared['holds'][number],
	order: readonly number[]
): number {
	const ends = new Array<number>(p.n).fill(-Infinity);
	ends[from] = p.minutes[from]!;
	for (const i of order) {
		for (const earlier of p.before[i]!) {
			ends[i] = Math.max(ends[i]!, ends[earlier]! + p.minutes[i]!);
		}
	}
	return Math.max(ends[until]!, p.minutes[from]!, p.minutes[until]!);
}
