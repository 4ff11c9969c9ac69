/** Exact search for the shortest schedule, as far as a number of nodes goes. */
import { earliest } from './lists.ts';
import { finishOf, slack, type Prepared } from './prepared.ts';

const nodesAStep = 500;

/**
 * Depth-first branch and bound over schedules built in the order of their starts, branching on tasks that
 * can start before any other could end (Giffler and Thompson 1960). A task from which something is held
 * may be better late, so its end does not count there.
 *
 * @param start a schedule to beat
 * @param tries starts of tasks tried before the best so far is taken: nodes times tasks
 * @returns the best found; `complete` when there is none better
 */
export function* branchAndBound(
	p: Prepared,
	start: number[],
	tries: number
): Generator<number, { starts: number[]; complete: boolean }> {
	let best = start;
	let bound = finishOf(p, best);
	let nodes = 0;
	const mostNodes = tries / p.n;
	const starts = new Array<number>(p.n).fill(NaN);
	let placed = 0;
	const missing = p.before.map((list) => list.length);

	function* look(last: number): Generator<number> {
		if (bound <= p.lowerBound + slack || nodes > mostNodes) return;
		if (++nodes % nodesAStep === 0) yield nodes / mostNodes;
		if (placed === p.n) {
			const makespan = finishOf(p, starts);
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
			const at = earliest(p, i, starts);
			if (at === Infinity) continue;
			if (at + p.tail[i]! >= bound - slack) return;
			choices.push({ i, at });
			if (p.heldFrom[i]!.length === 0) firstEnd = Math.min(firstEnd, at + p.minutes[i]!);
		}
		const open = choices
			.filter(({ i, at }) => at < firstEnd - slack || p.minutes[i] === 0)
			.filter(({ at }) => at >= last - slack)
			.sort((a, b) => a.at - b.at || p.tail[b.i]! - p.tail[a.i]!);
		for (const { i, at } of open) {
			starts[i] = at;
			placed++;
			for (const after of p.next[i]!) missing[after]!--;
			yield* look(at);
			for (const after of p.next[i]!) missing[after]!++;
			placed--;
			starts[i] = NaN;
		}
	}
	yield* look(0);
	return { starts: best, complete: nodes <= mostNodes };
}
