/** List schedules: tasks placed one after the other as early as can be (serial generation, Kolisch 1996). */
import { finishOf, slack, turned, type Prepared } from './prepared.ts';

/** Every task, lowest value first, each after those it waits for. */
export function rankBy(
	p: Pick<Prepared, 'before' | 'next'>,
	value: (i: number) => number
): number[] {
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

/**
 * Places each task of a list as early as those before it in the list let it. A task that would take what
 * others still hold stands back until it is given free.
 *
 * @throws when everything that is left waits for something held: a programming error
 */
export function serial(p: Prepared, list: readonly number[]): number[] {
	const starts = new Array<number>(p.n).fill(NaN);
	let left = list;
	while (left.length) {
		const back: number[] = [];
		for (const i of left) {
			const free = p.before[i]!.every((b) => !Number.isNaN(starts[b]!));
			const at = free ? earliest(p, i, starts) : Infinity;
			if (at === Infinity) back.push(i);
			else starts[i] = at;
		}
		if (back.length === left.length) throw new Error('The tasks wait for what is held in a circle');
		left = back;
	}
	return starts;
}

/**
 * First moment a task can start beside those placed; it comes after all it waits for.
 *
 * @param starts NaN for what is not placed yet
 * @returns Infinity while what it would take is held with no end yet
 */
export function earliest(p: Prepared, i: number, starts: readonly number[]): number {
	let at = 0;
	for (const b of p.before[i]!) at = Math.max(at, starts[b]! + p.minutes[b]!);
	for (const resource of p.heldFrom[i]!) at = Math.max(at, freeFrom(p, resource, starts));
	while (at < Infinity) {
		const clash = firstClash(p, i, at, starts);
		if (clash === undefined) return at;
		at = clash;
	}
	return at;
}

/** From when on one unit more may be held for as long as wanted. */
function freeFrom(p: Prepared, resource: number, starts: readonly number[]): number {
	const ends = p.holds
		.filter((hold) => hold.resource === resource && !Number.isNaN(starts[hold.from]!))
		.map(({ until }) =>
			Number.isNaN(starts[until]!) ? Infinity : starts[until]! + p.minutes[until]!
		)
		.sort((a, b) => b - a);
	return ends[p.capacity[resource]! - 1] ?? 0;
}

/** Undefined when task `i` fits at `at`; else the next moment worth trying. */
function firstClash(
	p: Prepared,
	i: number,
	at: number,
	starts: readonly number[]
): number | undefined {
	const until = at + p.minutes[i]!;
	for (const [resource, units] of p.needs[i]!) {
		const most = p.capacity[resource]!;
		const busy: [task: number, units: number][] = [];
		for (const user of p.users[resource]!) {
			const start = starts[user[0]]!;
			if (start < until - slack && start + p.minutes[user[0]]! > at + slack) busy.push(user);
		}
		// Use peaks where something starts: at the task's own start, or at that of another within it.
		for (let k = -1; k < busy.length; k++) {
			const moment = k < 0 ? at : Math.max(at, starts[busy[k]![0]]!);
			let used = units;
			let free = Infinity;
			for (const [j, own] of busy) {
				const stop = starts[j]! + p.minutes[j]!;
				if (starts[j]! > moment + slack || stop <= moment + slack) continue;
				used += own;
				free = Math.min(free, stop);
			}
			if (used > most) return free;
		}
	}
	return undefined;
}

/** Everything as late as can be, then as early as can be: often shorter (Valls et al. 2005). */
export function justified(p: Prepared, starts: readonly number[]): number[] {
	const makespan = finishOf(p, starts);
	const late = byTime(starts.map((start, i) => -(start + p.minutes[i]!)));
	const mirrored = serial(turned(p), late);
	return serial(p, byTime(mirrored.map((start, i) => makespan - start - p.minutes[i]!)));
}

const byTime = (times: readonly number[]): number[] =>
	times.map((_, i) => i).sort((a, b) => times[a]! - times[b]! || a - b);
