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
import { workComputations } from './compute/work.ts';
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
	...fastenerComputations,
	...workComputations
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

/** Greater than any quantity of a car: beyond it a number is only an input gone wrong. */
const greatest = 1e15;

/** No list of any computation is longer; longer ones are refused before they are looked through. */
const longestList = 200_000;
/** Longer lists are of plain numbers only. */
const shortList = 1000;
const mostFaults = 50;

function check(computation: Computation, input: unknown): Result<never> {
	const faults = listFaults(input);
	return faults.length ? faulty(...faults) : validate<never>(computation.input, input);
}

/** What is wrong with the long lists of an input: the schema's own look would take too long over them. */
function listFaults(data: unknown, path = ''): Fault[] {
	if (typeof data !== 'object' || data === null) return [];
	if (Array.isArray(data) && data.length > shortList) return longListFaults(data, path || 'input');
	return Object.entries(data).flatMap(([key, value]) =>
		listFaults(value, path ? `${path}.${key}` : key)
	);
}

function longListFaults(list: readonly unknown[], path: string): Fault[] {
	if (list.length > longestList) {
		return [
			{
				field: path,
				value: list.length,
				message: `holds ${list.length} values; ${longestList} are the most that are taken`
			}
		];
	}
	const faults: Fault[] = [];
	for (let i = 0; i < list.length && faults.length < mostFaults; i++) {
		const value = list[i];
		if (typeof value === 'number' && Math.abs(value) < greatest) continue;
		const shown = typeof value === 'string' ? value.slice(0, 80) : undefined;
		faults.push({
			field: `${path}.${i}`,
			message: 'must be a number; nothing measured here is as large as 1e15',
			...(shown !== undefined && { value: shown })
		});
	}
	return faults;
}

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
