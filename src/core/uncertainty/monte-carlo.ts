import { randomNormal } from 'd3-random';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { faulty, ok, type Result } from '../result.ts';

export interface MonteCarloOptions {
	/** 100 or more. */
	samples: number;
	/** Any whole number: the same seed gives the same answer. */
	seed: number;
	/** Samples between two reports of progress. */
	chunk?: number;
}

/** How one result spreads. */
export interface Distribution {
	mean: number;
	standardDeviation: number;
	/** Probabilistically symmetric 95 % interval (JCGM 101:2008, 7.7). */
	lowerBound: number;
	upperBound: number;
	/** Counts over equal bins from lowest to highest, for a drawing. */
	histogram: { from: number; to: number; count: number }[];
}

export interface MonteCarloResult {
	/** In the order of the model's results. */
	distributions: Distribution[];
	/** Draws for which the model had an answer. */
	answered: number;
	/** Draws for which it had none: out of reach, below nothing. */
	refused: number;
}

const leastAnswered = 0.5;

/**
 * Propagation of distributions (JCGM 101:2008): inputs independent and normal, the model run for each
 * draw. A generator, so that a worker can report progress and be told to stop between chunks: it yields
 * the share done, 0 to 1, and returns the result.
 *
 * @param model writes its results into `out`; false where it has no answer
 * @param results how many it writes
 */
export function* sampleModel(
	model: (values: readonly number[], out: Float64Array) => boolean,
	results: number,
	inputs: readonly { value: number; u: number }[],
	{ samples, seed, chunk = 2000 }: MonteCarloOptions
): Generator<number, Result<MonteCarloResult>> {
	const generator = xoroshiro128plus(seed);
	const uniform = () => (generator.next() >>> 0) / 2 ** 32;
	const normal = randomNormal.source(uniform)(0, 1);
	const columns = Array.from({ length: results }, () => new Float64Array(samples));
	const values = inputs.map(({ value }) => value);
	const out = new Float64Array(results);
	let answered = 0;
	for (let i = 0; i < samples; i++) {
		if (i > 0 && i % chunk === 0) yield i / samples;
		for (let j = 0; j < inputs.length; j++) values[j] = inputs[j]!.value + inputs[j]!.u * normal();
		if (!model(values, out) || !out.every(Number.isFinite)) continue;
		for (let k = 0; k < results; k++) columns[k]![answered] = out[k]!;
		answered++;
	}
	if (answered < leastAnswered * samples) {
		return faulty({
			field: 'uncertainty',
			message: `is so large that ${samples - answered} of ${samples} draws have no answer: measure more closely`
		});
	}
	return ok({
		distributions: columns.map((column) => distribution(column.subarray(0, answered).sort())),
		answered,
		refused: samples - answered
	});
}

/** @param sorted lowest first, two or more */
export function distribution(sorted: Float64Array): Distribution {
	const n = sorted.length;
	let sum = 0;
	for (const value of sorted) sum += value;
	const mean = sum / n;
	let squares = 0;
	for (const value of sorted) squares += (value - mean) ** 2;
	const [lowest, highest] = [sorted[0]!, sorted[n - 1]!];
	const bins = highest > lowest ? 40 : 1;
	const width = (highest - lowest) / bins;
	const histogram = Array.from({ length: bins }, (_, i) => ({
		from: lowest + i * width,
		to: lowest + (i + 1) * width,
		count: 0
	}));
	for (const value of sorted) {
		histogram[Math.min(bins - 1, Math.floor((value - lowest) / (width || 1)))]!.count++;
	}
	return {
		mean,
		standardDeviation: Math.sqrt(squares / (n - 1)),
		lowerBound: sorted[Math.floor(0.025 * n)]!,
		upperBound: sorted[Math.ceil(0.975 * n) - 1]!,
		histogram
	};
}

/** Runs a sampling to its end at once. */
export function finish<T>(sampling: Generator<number, T>): T {
	for (;;) {
		const step = sampling.next();
		if (step.done) return step.value;
	}
}
