/**
 * The registry of named computations. Shell, HTTP and workers take names, schemas, functions and
 * examples from here; there is no second list. A subject's entries stand in `compute/`.
 */
import { bushComputations } from './compute/bush.ts';
import { carComputations } from './compute/car.ts';
import type { Computation } from './compute/computation.ts';
import { fastenerComputations } from './compute/fasteners.ts';
import { heightComputations } from './compute/heights.ts';
import { mechanismComputations } from './compute/mechanism.ts';
import { monteCarlo } from './compute/monte-carlo.ts';
import { quantityComputations } from './compute/quantities.ts';
import { rideComputations } from './compute/ride.ts';
import { springComputations } from './compute/springs.ts';
import { faulty, type Fault, type Result } from './result.ts';
import { validate } from './validate.ts';

export type { Computation } from './compute/computation.ts';

const models: readonly Computation[] = [
	...quantityComputations,
	...heightComputations,
	...mechanismComputations,
	...bushComputations,
	...springComputations,
	...carComputations,
	...rideComputations,
	...fastenerComputations
];

export const computations: readonly Computation[] = [...models, monteCarlo(models)];

export function findComputation(name: string): Computation | undefined {
	return computations.find((computation) => computation.name === name);
}

/** Validates the input and runs one computation; every fault names its field. */
export function compute(computation: Computation, input: unknown): Result<object> {
	const checked = check(computation, input);
	return checked.ok ? finite(computation.run(checked.value)) : checked;
}

/** The same in steps: yields the share done, 0 to 1, so that the caller can show it, or stop. */
export function* computeInSteps(
	computation: Computation,
	input: unknown
): Generator<number, Result<object>> {
	if (!computation.steps) return compute(computation, input);
	const checked = check(computation, input);
	return checked.ok ? finite(yield* computation.steps(checked.value)) : checked;
}

/** No list of any computation is longer; longer ones are refused before they are looked through. */
const longestList = 200_000;

function check(computation: Computation, input: unknown): Result<never> {
	const long = tooLong(input);
	return long.length ? faulty(...long) : validate<never>(computation.input, input);
}

function tooLong(data: unknown, path = ''): Fault[] {
	if (typeof data !== 'object' || data === null) return [];
	if (Array.isArray(data)) {
		if (data.length > longestList) {
			return [
				{
					field: path || 'input',
					value: data.length,
					message: `holds ${data.length} values; ${longestList} are the most that are taken`
				}
			];
		}
		if (typeof data[0] === 'number') return [];
	}
	return Object.entries(data).flatMap(([key, value]) =>
		tooLong(value, path ? `${path}.${key}` : key)
	);
}

/** Greater than any quantity of a car: beyond it a number is only an input gone wrong. */
const greatest = 1e15;

/** A result that ran out of the range of a car's numbers is no result. */
function finite(result: Result<object>): Result<object> {
	if (!result.ok || inRange(result.value)) return result;
	return faulty({
		field: 'input',
		message:
			'has no answer: these numbers together leave the range that can be computed; look for one that is far too large or far too small'
	});
}

function inRange(data: unknown): boolean {
	if (typeof data === 'number') return Math.abs(data) < greatest;
	if (data === null) return false;
	if (typeof data !== 'object') return true;
	return Object.values(data).every(inRange);
}
