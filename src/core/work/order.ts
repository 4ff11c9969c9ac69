/** The order of work: a precedence graph of steps, laid out in a line that keeps every rule. */
import { axleOf } from '../height/corners.ts';
import { faulty, ok, type Result } from '../result.ts';
import { edgesOf, type Rule } from './needs.ts';
import type { WorkScope } from './scope.ts';
import type { WorkStep } from './step.ts';
import { workPhases } from './terms.ts';
import { kindRank, workSteps } from './assembly-steps.ts';

export interface WorkOrder {
	/** In an order that keeps every rule. */
	steps: readonly WorkStep[];
	/** For each step, by id: the steps that come before it, and the rule that says so. */
	waitsFor: ReadonlyMap<string, ReadonlyMap<string, Rule>>;
}

/**
 * The steps of a job in order.
 *
 * @param wanted ids in the order a person asked for; followed as far as the rules let it
 */
export function workOrder(scope: WorkScope, wanted: readonly string[] = []): WorkOrder {
	const steps = workSteps(scope);
	const waitsFor = waiting(steps, scope);
	return { steps: linedUp(steps, waitsFor, usualRank(scope, wanted)), waitsFor };
}

/**
 * For each step what it waits for, with the reason.
 *
 * @param left a rule to leave out, for tests
 */
export function waiting(
	steps: readonly WorkStep[],
	scope: WorkScope,
	left?: string
): Map<string, Map<string, Rule>> {
	const waitsFor = new Map(steps.map(({ id }) => [id, new Map<string, Rule>()]));
	for (const { before, after, rule } of edgesOf(steps, scope, left)) {
		const earlier = waitsFor.get(after)!;
		if (!earlier.has(before)) earlier.set(before, rule);
	}
	return waitsFor;
}

/** Steps that nobody asked for elsewhere come by phase, axle, side and kind. */
function usualRank({ strategy }: WorkScope, wanted: readonly string[]) {
	return (step: WorkStep): number[] => {
		const asked = wanted.indexOf(step.id);
		const side = ['FL', 'RL'].includes(step.at) ? 0 : 1;
		return [
			asked < 0 ? Infinity : asked,
			workPhases.indexOf(step.phase),
			step.at === 'car' || axleOf(step.corners[0]!) === 'front' ? 0 : 1,
			strategy.sides === 'one-by-one' ? side : 0,
			kindRank(step.like ?? step.kind) + (step.like ? 0.5 : 0),
			side
		];
	};
}

/**
 * Topological order (Kahn 1962), the lowest rank first among the steps that are free.
 *
 * @throws when the rules go in a circle: a programming error
 */
export function linedUp(
	steps: readonly WorkStep[],
	waitsFor: ReadonlyMap<string, ReadonlyMap<string, unknown>>,
	rank: (step: WorkStep) => number[]
): WorkStep[] {
	const ranks = new Map(steps.map((step) => [step.id, rank(step)]));
	const byId = new Map(steps.map((step) => [step.id, step]));
	const missing = new Map(steps.map(({ id }) => [id, waitsFor.get(id)!.size]));
	const follow = new Map<string, string[]>(steps.map(({ id }) => [id, []]));
	for (const { id } of steps) {
		for (const earlier of waitsFor.get(id)!.keys()) follow.get(earlier)!.push(id);
	}
	const order: WorkStep[] = [];
	let free = steps.filter(({ id }) => missing.get(id) === 0);
	while (free.length) {
		const next = free.reduce((best, step) =>
			lower(ranks.get(step.id)!, ranks.get(best.id)!) ? step : best
		);
		order.push(next);
		free = free.filter((step) => step !== next);
		for (const id of follow.get(next.id)!) {
			missing.set(id, missing.get(id)! - 1);
			if (missing.get(id) === 0) free.push(byId.get(id)!);
		}
	}
	if (order.length < steps.length) {
		const left = steps.filter((step) => !order.includes(step)).map(({ id }) => id);
		throw new Error(`The rules go in a circle among ${left.join(', ')}`);
	}
	return order;
}

function lower(a: readonly number[], b: readonly number[]): boolean {
	for (const [i, value] of a.entries()) if (value !== b[i]) return value < b[i]!;
	return false;
}

/** What stands between a step and being done now: steps not done yet, with the rule of each. */
export function blockedBy(
	order: WorkOrder,
	id: string,
	done: ReadonlySet<string>
): { step: WorkStep; rule: Rule }[] {
	const waits = order.waitsFor.get(id) ?? new Map<string, Rule>();
	return order.steps.flatMap((step) => {
		const rule = waits.get(step.id);
		return rule && !done.has(step.id) ? [{ step, rule }] : [];
	});
}

/**
 * Moves a step to another place in the line. Refused where a rule forbids it, and the rule is said.
 *
 * @param to index in the line after the move
 */
export function moveStep(order: WorkOrder, id: string, to: number): Result<string[]> {
	const ids = order.steps.map((step) => step.id);
	const from = ids.indexOf(id);
	if (from < 0) return faulty({ field: 'step', value: id, message: 'is not a step of this job' });
	const place = Math.min(Math.max(0, to), ids.length - 1);
	const title = (one: string) => order.steps.find((step) => step.id === one)!.title;
	const passed = place < from ? ids.slice(place, from) : ids.slice(from + 1, place + 1);
	for (const other of passed) {
		const [first, then] = place < from ? [other, id] : [id, other];
		const rule = order.waitsFor.get(then)!.get(first);
		if (rule) {
			return faulty({
				field: 'step',
				value: title(id),
				message: `stays ${place < from ? 'after' : 'before'} “${title(other)}”. ${rule.words}`
			});
		}
	}
	ids.splice(from, 1);
	ids.splice(place, 0, id);
	return ok(ids);
}
