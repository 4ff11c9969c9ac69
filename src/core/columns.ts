import type { Fault } from './result.ts';

/**
 * What is wrong with two lists that belong together point by point: unequal length, too few points.
 * @param order what the first list must do, if anything, and the words for a point that does not
 */
export function columnFaults(
	[firstName, first]: readonly [string, readonly number[]],
	[secondName, second]: readonly [string, readonly number[]],
	leastPoints: number,
	order?: { broken: (value: number, before: number) => boolean; words: (before: number) => string }
): Fault[] {
	const faults: Fault[] = [];
	if (first.length !== second.length) {
		faults.push({
			field: secondName,
			value: second.length,
			message: `must have as many values as ${firstName} (${first.length})`
		});
	}
	if (first.length < leastPoints) {
		faults.push({
			field: firstName,
			value: first.length,
			message: `needs at least ${leastPoints} points`
		});
	}
	const at = order
		? first.findIndex((value, i) => i > 0 && order.broken(value, first[i - 1]!))
		: -1;
	if (order && at > 0) {
		faults.push({
			field: `${firstName}.${at}`,
			value: first[at],
			message: order.words(first[at - 1]!)
		});
	}
	return faults;
}
