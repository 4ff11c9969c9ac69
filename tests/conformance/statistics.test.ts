import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { describe, expect, it } from 'vitest';
import { compareHeights } from '../../src/core/height/compare';
import { coverage95 } from '../../src/core/statistics/student';
import { summarize } from '../../src/core/statistics/summary';
import { combine } from '../../src/core/statistics/welch';

/** NIST Statistical Reference Datasets, univariate summary statistics (certified values). */
describe('NIST StRD univariate', () => {
	it('NumAcc1: mean 10000002, standard deviation 1', () => {
		const { mean, s } = summarize([10000001, 10000003, 10000002]);
		expect(mean).toBe(10000002);
		expect(s).toBe(1);
	});

	// NumAcc3: 1000000.2 once, then 1000000.1 and 1000000.3 alternating 500 times each.
	it('NumAcc3: mean 1000000.2, standard deviation 0.1', () => {
		const data = [1000000.2];
		for (let i = 0; i < 500; i++) data.push(1000000.1, 1000000.3);
		const { mean, s } = summarize(data);
		expect(mean).toBeCloseTo(1000000.2, 8);
		expect(s).toBeCloseTo(0.1, 9);
	});

	// NumAcc4 is the same pattern at 10000000, the hardest of the four.
	it('NumAcc4: mean 10000000.2, standard deviation 0.1', () => {
		const data = [10000000.2];
		for (let i = 0; i < 500; i++) data.push(10000000.1, 10000000.3);
		const { mean, s } = summarize(data);
		expect(mean).toBeCloseTo(10000000.2, 7);
		expect(s).toBeCloseTo(0.1, 8);
	});
});

/** Student's t, two-sided 95 %: JCGM 100:2008 (GUM), table G.2. */
describe('Student’s t at 95 %', () => {
	it.each([
		[1, 12.71],
		[2, 4.3],
		[3, 3.18],
		[5, 2.57],
		[10, 2.23],
		[20, 2.09],
		[50, 2.01],
		[100, 1.984]
	])('%d degrees of freedom: %d', (degrees, t) => {
		expect(coverage95(degrees)).toBeCloseTo(t, 2);
	});

	it('to three digits as handbooks print it: 4.303 and 2.228', () => {
		expect(coverage95(2)).toBeCloseTo(4.303, 3);
		expect(coverage95(10)).toBeCloseTo(2.228, 3);
	});

	// Reference library: stdlib's quantile of t.
	it('is a reference library’s within 5 in 100 000, for any number of degrees', () => {
		for (let degrees = 1; degrees < 2e6; degrees *= 1.003) {
			const error = coverage95(degrees) / tQuantile(0.975, degrees) - 1;
			expect(Math.abs(error), String(degrees)).toBeLessThan(5e-5);
		}
	});

	it('becomes the normal distribution’s 1.960', () => {
		expect(coverage95(Infinity)).toBeCloseTo(1.959964, 4);
	});
});

/** JCGM 100:2008, H.1.6 (end-gauge calibration): the four components and their degrees of freedom. */
describe('Welch–Satterthwaite, GUM example H.1', () => {
	it('combines to 32 nm with 16 degrees of freedom', () => {
		const { u, degreesOfFreedom } = combine([
			{ u: 25, degreesOfFreedom: 18 },
			{ u: 9.7, degreesOfFreedom: 25.6 },
			{ u: 2.9, degreesOfFreedom: 50 },
			{ u: 16.6, degreesOfFreedom: 2 }
		]);
		expect(Math.round(u)).toBe(32);
		expect(Math.trunc(degreesOfFreedom)).toBe(16);
	});
});

describe('difference of two heights, by the GUM’s formulas done by hand', () => {
	// Before 352 353 352, after 366 365 366, tape read to 1 mm. s = 0.57735 both; s²/3 = 1/9;
	// resolution 1/√12 each, so u² = 2/9 + 2/12 = 7/18.
	const result = compareHeights(
		{ readingsMm: [352, 353, 352] },
		{ readingsMm: [366, 365, 366] },
		1,
		{ stanceMm: 0 }
	);

	it('difference and combined uncertainty', () => {
		expect(result.differenceMm).toBeCloseTo(40 / 3, 9);
		expect(result.expandedUncertaintyMm / coverage95(result.degreesOfFreedom)).toBeCloseTo(
			Math.sqrt(7 / 18),
			9
		);
	});

	// ν = (7/18)² / (2 · (1/9)² / 2) = (7/18)² · 81 = 12.25
	it('effective degrees of freedom', () => {
		expect(result.degreesOfFreedom).toBeCloseTo(12.25, 9);
	});
});
