/** A car's order of work as the scheduler takes it. */
import type { StepKind } from '../work/operations.ts';
import type { WorkOrder } from '../work/order.ts';
import type { Minutes } from '../work/terms.ts';
import type { TimedCar } from './timeline.ts';

/**
 * @param people most that work on it at a time
 * @param done ids of steps that need no time any more
 */
export function timedCar(
	id: string,
	order: WorkOrder,
	minutes: ReadonlyMap<string, Minutes>,
	people: number,
	done: ReadonlySet<string> = new Set()
): TimedCar {
	const left = order.steps.filter((step) => !done.has(step.id));
	const find = (kind: StepKind) => left.find((step) => step.kind === kind)?.id;
	const [from, until] = [find('lift'), find('ground')];
	return {
		id,
		people,
		tasks: left.map((step) => ({
			id: step.id,
			spot: step.spot,
			...(step.people && { people: step.people }),
			after: [...order.waitsFor.get(step.id)!.keys()].filter((earlier) => !done.has(earlier)),
			...minutes.get(step.id)!
		})),
		...(until && { lift: { ...(from && { from }), until } })
	};
}

/** A car that nobody has planned may take this share less or more; own choice. */
const unplannedSpread = 0.4;

/** A car nobody has planned yet: one piece of work of about so many minutes, on a lift. */
export function unplannedCar(id: string, minutes: number): TimedCar {
	const work = {
		id: 'work',
		spot: 'car',
		after: [],
		low: minutes * (1 - unplannedSpread),
		likely: minutes,
		high: minutes * (1 + unplannedSpread)
	};
	return { id, people: 1, tasks: [work], lift: { until: 'work' } };
}
