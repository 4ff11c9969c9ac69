import { describe, expect, it } from 'vitest';
import { compute, computations, findComputation } from '../compute';
import { ok } from '../result';
import { numbersOf, withBand, withNumber } from './band';

interface Sampled {
	results: {
		nominal: number;
		mean: number;
		standardDeviation: number;
		lowerBound: number;
		upperBound: number;
	}[];
	answered: number;
	refused: number;
}

function run<T>(name: string, input: object): T {
	const result = compute(findComputation(name)!, input);
	if (!result.ok) throw new Error(JSON.stringify(result.faults));
	return result.value as T;
}

describe('bands', () => {
	it('a sum of squares: the band of x² + 3y', () => {
		const result = withBand(
			({ x, y }: { x: number; y: number[] }) => ok({ sum: x * x + 3 * y[0]!, words: 'kept' }),
			{ x: 10, y: [2] },
			{ x: 0.1, 'y.0': 0.5 }
		);
		expect(result).toEqual({
			ok: true,
			value: {
				sum: 106,
				words: 'kept',
				expanded: { sum: expect.closeTo(2 * Math.hypot(20 * 0.1, 3 * 0.5), 12) }
			}
		});
	});

	it('leaves the input as it was', () => {
		const input = { a: { b: [1, 2] }, c: { d: 3 } };
		const moved = withNumber(input, 'a.b.1', 5);
		expect(input.a.b).toEqual([1, 2]);
		expect(moved).toEqual({ a: { b: [1, 5] }, c: { d: 3 } });
		expect(moved.c).toBe(input.c);
	});

	it('a path that leads nowhere is named with those that do', () => {
		const coil = findComputation('spring-rate')!;
		const result = compute(coil, { ...coil.example, uncertainty: { wire: 0.1 } });
		expect(!result.ok && result.faults[0]).toMatchObject({
			field: 'uncertainty.wire',
			message: expect.stringContaining('wireDiameterMm')
		});
	});

	it('an uncertainty that reaches where there is no answer is refused, in words', () => {
		const sweep = findComputation('tape-sweep')!;
		const result = compute(sweep, {
			...sweep.example,
			uncertainty: { 'measures.lowerArmMm': 340 }
		});
		expect(!result.ok && result.faults[0]).toMatchObject({
			field: 'uncertainty.measures.lowerArmMm'
		});
	});
});

describe('Monte Carlo', () => {
	const predict = findComputation('predict-height')!;
	const uncertainty = {
		heightBeforeMm: 1,
		sprungLoadN: 60,
		motionRatio: 0.01,
		'newSpring.rateNPerMm': 0.2,
		'newSpring.freeLengthMm': 1.5,
		settlingMm: 1.25
	};
	const sampling = (more: object = {}) => ({
		computation: 'predict-height',
		input: predict.example,
		uncertainty,
		results: ['settledHeightMm'],
		samples: 40_000,
		seed: 7,
		...more
	});

	it('agrees with the linear band where the model is nearly straight', () => {
		const linear = run<{ settledHeightMm: number; expanded: { settledHeightMm: number } }>(
			'predict-height',
			{ ...predict.example, uncertainty }
		);
		const { results } = run<Sampled>('monte-carlo', sampling());
		const { mean, standardDeviation, lowerBound, upperBound } = results[0]!;
		const u = linear.expanded.settledHeightMm / 2;
		expect(standardDeviation / u).toBeCloseTo(1, 1);
		expect(Math.abs(mean - linear.settledHeightMm)).toBeLessThan(0.05 * u);
		expect((upperBound - lowerBound) / (2 * 1.96 * u)).toBeCloseTo(1, 1);
	});

	it('the same seed gives the same answer, another one another', () => {
		const of = (seed: number) => run<Sampled>('monte-carlo', sampling({ samples: 500, seed }));
		expect(of(3)).toEqual(of(3));
		expect(of(3)).not.toEqual(of(4));
	});

	it('sees what a linear band does not: an arm so steep that its angle bends', () => {
		const bush = findComputation('bush-set')!;
		const steep = { ...bush.example, outerBelowInnerMm: 250, setHubToArchMm: 430 };
		const drawn = { outerBelowInnerMm: 12 };
		const { results } = run<Sampled>(
			'monte-carlo',
			sampling({ computation: 'bush-set', input: steep, uncertainty: drawn, results: ['twistDeg'] })
		);
		// asin bends upwards there: the mean lies beyond the nominal value, the tail further out.
		const { nominal, mean, lowerBound, upperBound } = results[0]!;
		expect(mean).toBeGreaterThan(nominal);
		expect(upperBound - nominal).toBeGreaterThan(1.1 * (nominal - lowerBound));
	});

	it('counts the draws that have no answer and refuses when most have none', () => {
		const steep = { outerBelowInnerMm: 60 };
		const bush = findComputation('bush-set')!;
		const input = { ...bush.example, outerBelowInnerMm: 270 };
		const ask = { computation: 'bush-set', input, results: ['twistDeg'], samples: 2000 };
		const { answered, refused } = run<Sampled>(
			'monte-carlo',
			sampling({ ...ask, uncertainty: steep })
		);
		expect(refused).toBeGreaterThan(0);
		expect(answered + refused).toBe(2000);
		const worse = compute(
			findComputation('monte-carlo')!,
			sampling({ ...ask, uncertainty: { outerBelowInnerMm: 5000 } })
		);
		expect(!worse.ok && worse.faults[0]!.field).toBe('uncertainty');
	});

	it('faults of the computation inside name their field', () => {
		const result = compute(
			findComputation('monte-carlo')!,
			sampling({ input: { ...predict.example, motionRatio: -1 }, results: ['nothing'] })
		);
		expect(!result.ok && result.faults[0]!.field).toBe('input.motionRatio');
	});
});

it('whatever has usual uncertainties always answers with a band', () => {
	for (const name of ['tape-sweep', 'spring-identify', 'predict-height']) {
		const value = run<{ expanded: object }>(
			name,
			computations.find((c) => c.name === name)!.example
		);
		expect(numbersOf(value.expanded).size).toBeGreaterThan(0);
	}
});
