import type { Result } from '../../src/core/result';

/** The value of a result that must be good; its faults are the failure's message. */
export function valueOf<T>(result: Result<T>): T {
	if (!result.ok) throw new Error(JSON.stringify(result.faults, null, 1));
	return result.value;
}
