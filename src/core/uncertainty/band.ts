import { faulty, ok, type Result } from '../result.ts';

/** Standard uncertainty of input values by their path, as `loadsN.FL` or `points.2.forceN`. */
export type Uncertainty = Readonly<Record<string, number>>;

/** The numbers of a result, by path, in the order they stand in. */
export function numbersOf(
	data: unknown,
	path = '',
	into = new Map<string, number>()
): Map<string, number> {
	if (typeof data === 'number') into.set(path, data);
	else if (typeof data === 'object' && data !== null) {
		for (const [key, value] of Object.entries(data)) {
			numbersOf(value, path ? `${path}.${key}` : key, into);
		}
	}
	return into;
}

/** What stands at a path of plain data; undefined where nothing does. */
export function valueAt(data: unknown, path: string): unknown {
	return path
		.split('.')
		.reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], data);
}

/** The same data with one number replaced; what does not lie on the path is shared, not copied. */
export function withNumber<T>(data: T, path: string, value: number): T {
	const [key, ...rest] = path.split('.') as [string, ...string[]];
	const copy = (Array.isArray(data) ? [...data] : { ...data }) as Record<string, unknown>;
	copy[key] = rest.length ? withNumber(copy[key], rest.join('.'), value) : value;
	return copy as T;
}

/** The shape of a result with its numbers alone: half-widths of their 95 % bands. */
type Band<T> = T extends number
	? number
	: T extends readonly (infer U)[]
		? Band<U>[]
		: T extends object
			? { [K in keyof T]: Band<T[K]> }
			: undefined;

/** A result with, for each of its numbers, the half-width of its 95 % band in the same place. */
export type Banded<T> = T & { expanded: Band<T> };

/**
 * The band of every number of a result: each uncertain input moved by one standard uncertainty to each
 * side, half the difference squared and added up (JCGM 100:2008, 5.1.2 and 5.1.3 note 2; coverage
 * factor 2). Linear: for bands that are wide against the curvature of the model use Monte Carlo.
 *
 * @param run the computation
 * @param uncertainty standard uncertainties by path of the input; unknown paths are faults
 * @param step results that can only move in steps, as turns of a collar: the step by their path. What is told and
 * what is true are each rounded to it, a sixth of its square together.
 */
export function withBand<I, T extends object>(
	run: (input: I) => Result<T>,
	input: I,
	uncertainty: Uncertainty,
	step: (path: string) => number = () => 0
): Result<Banded<T>> {
	const nominal = run(input);
	if (!nominal.ok) return nominal;
	const unknown = unknownPaths(input, uncertainty);
	if (unknown.length) return faulty(...unknown);
	const variance = new Map(
		[...numbersOf(nominal.value)].map(([path]) => [path, step(path) ** 2 / 6])
	);
	for (const [path, u] of Object.entries(uncertainty)) {
		if (u === 0) continue;
		const value = valueAt(input, path) as number;
		const high = run(withNumber(input, path, value + u));
		const low = run(withNumber(input, path, value - u));
		if (!high.ok || !low.ok) {
			return faulty({
				field: `uncertainty.${path}`,
				value: u,
				message: `is so large that ${path} ${value} could also be ${value + (high.ok ? -u : u)}, where there is no answer (${[high, low].flatMap((r) => (r.ok ? [] : r.faults)).map((f) => `${f.field} ${f.message}`)[0]}): measure it more closely`
			});
		}
		const [up, down] = [numbersOf(high.value), numbersOf(low.value)];
		for (const [at, sum] of variance) {
			const [a, b] = [up.get(at), down.get(at)];
			if (a !== undefined && b !== undefined) variance.set(at, sum + ((a - b) / 2) ** 2);
		}
	}
	return ok({ ...nominal.value, expanded: bandTree(nominal.value, '', variance) as Band<T> });
}

/** Faults for paths that lead to no number of the input. */
export function unknownPaths(input: unknown, uncertainty: Uncertainty) {
	return Object.entries(uncertainty)
		.filter(([path]) => typeof valueAt(input, path) !== 'number')
		.map(([path, value]) => ({
			field: `uncertainty.${path}`,
			value,
			message: `names no number of this input; known are ${[...numbersOf(input).keys()].slice(0, 30).join(', ')}`
		}));
}

/** Same shape as the result, numbers only. */
function bandTree(data: unknown, path: string, variance: ReadonlyMap<string, number>): unknown {
	if (typeof data === 'number') return 2 * Math.sqrt(variance.get(path)!);
	if (typeof data !== 'object' || data === null) return undefined;
	const below = (key: string) => (path ? `${path}.${key}` : key);
	if (Array.isArray(data)) {
		const items = data.map((value, i) => bandTree(value, below(String(i)), variance));
		return items.some((item) => item === undefined) ? undefined : items;
	}
	return Object.fromEntries(
		Object.entries(data)
			.map(([key, value]) => [key, bandTree(value, below(key), variance)] as const)
			.filter(([, value]) => value !== undefined)
	);
}
