import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { describe, expect, it } from 'vitest';
import { bounce } from '../../src/core/ride/bounce';
import { fullCar, fullCarModes, type Road } from '../../src/core/ride/full-car';
import { dampingFromPeaks } from '../../src/core/ride/log-decrement';
import { dampingRatio, naturalFreqHz, quarterCar } from '../../src/core/ride/quarter-car';
import reference from './reference/reference.json';
import { valueOf } from './value-of';

/** The same swing fitted by a general package that knows nothing of it and takes its derivatives by differences. */
describe('a bounce trace against a general least-squares fit', () => {
	const swing = ([ratio, natural, rest, push]: number[]) => {
		const damped = natural! * Math.sqrt(1 - ratio! ** 2);
		return (s: number) =>
			rest! +
			push! *
				Math.exp(-ratio! * natural! * s) *
				(Math.cos(damped * s) + ((ratio! * natural!) / damped) * Math.sin(damped * s));
	};
	it.each([
		[0.15, 7],
		[0.25, 8.5],
		[0.4, 9.5],
		[0.55, 8]
	])('ratio %d at %d rad/s', (ratio, natural) => {
		const timeS = Array.from({ length: 240 }, (_, i) => i * 0.0125);
		const heightMm = timeS.map(
			(s, i) => swing([ratio, natural, 612, -38])(s) + 0.15 * Math.sin(i * 12.9898)
		);
		const { parameterValues } = levenbergMarquardt({ x: timeS, y: heightMm }, swing, {
			initialValues: [0.3, 8, heightMm.at(-1)!, heightMm[0]! - heightMm.at(-1)!],
			damping: 1e-2,
			gradientDifference: 1e-5,
			centralDifference: true,
			maxIterations: 200,
			errorTolerance: 1e-9
		});
		const got = valueOf(bounce({ timeS, heightMm }));
		expect(Math.abs(got.dampingRatio - parameterValues[0]!)).toBeLessThan(0.005);
		expect(Math.abs(got.naturalFreqHz - parameterValues[1]! / (2 * Math.PI))).toBeLessThan(0.005);
		expect(Math.abs(got.restMm - parameterValues[2]!)).toBeLessThan(0.05);
	});
});

/** Eigenvalues of M, C, K by numpy.linalg.eigvals (reference/make.py). */
describe('quarter car against a general eigenvalue solver', () => {
	const pairs = reference.quarterCar.filter(({ modes }) => modes.length === 2);
	it.each(pairs.map((c, i) => [i, c] as const))('car %i', (_, { car, modes }) => {
		const got = quarterCar(car);
		expect(got.bodyFreqHz).toBeCloseTo(modes[0]!.freqHz, 8);
		expect(got.hopFreqHz).toBeCloseTo(modes[1]!.freqHz, 8);
		expect(got.bodyDampingRatio).toBeCloseTo(modes[0]!.dampingRatio, 8);
		expect(got.hopDampingRatio).toBeCloseTo(modes[1]!.dampingRatio, 8);
	});

	/** Single-mass limits: f = √(k/m)/2π, ζ = c/(2√(km)). */
	it('on a rigid tyre the body swings as a single mass', () => {
		const got = quarterCar({
			sprungMassKg: 400,
			unsprungMassKg: 0.1,
			wheelRateNPerMm: 25,
			tyreRateNPerMm: 1e5,
			damperNsPerMm: 1.9
		});
		expect(got.bodyFreqHz).toBeCloseTo(naturalFreqHz(25, 400), 3);
		expect(got.bodyDampingRatio).toBeCloseTo(dampingRatio(1.9, 25, 400), 3);
	});
});

describe('logarithmic decrement', () => {
	const ratio = (nextMm: number, swings: number) =>
		valueOf(dampingFromPeaks({ firstMm: 10, nextMm, swings })).dampingRatio;
	it('a ratio of 10 to 1 is ζ = 0.344', () => {
		expect(ratio(1, 1)).toBeCloseTo(0.344, 3);
	});
	it('peaks and overshoots of one swing agree', () => {
		// One full swing is two overshoots.
		expect(ratio(Math.sqrt(10), 0.5)).toBeCloseTo(ratio(1, 1), 12);
	});
	it('a swing that grows is none', () => {
		expect(dampingFromPeaks({ firstMm: 10, nextMm: 10, swings: 1 }).ok).toBe(false);
	});
});

describe('bounce trace', () => {
	/** scipy.optimize.curve_fit on the same noisy trace. */
	it.each(reference.bounce.map((c, i) => [i, c] as const))(
		'finds what a general curve fit finds: trace %i',
		(_, { timeS, heightMm, dampingRatio: zeta, naturalFreqHz: freq }) => {
			const got = valueOf(bounce({ timeS, heightMm }));
			expect(got.dampingRatio).toBeCloseTo(zeta, 2);
			expect(got.naturalFreqHz).toBeCloseTo(freq, 2);
			expect(Math.abs(got.dampingRatio - zeta)).toBeLessThan(got.dampingRatioExpanded);
		}
	);

	it.each([0.05, 0.2, 0.344, 0.6, 0.8])('a clean decay of ζ = %f', (zeta) => {
		const natural = 2 * Math.PI * 1.4;
		const damped = natural * Math.sqrt(1 - zeta ** 2);
		const timeS = Array.from({ length: 400 }, (_, i) => i * 0.01);
		const heightMm = timeS.map(
			(t) =>
				600 -
				35 *
					Math.exp(-zeta * natural * t) *
					(Math.cos(damped * t) + ((zeta * natural) / damped) * Math.sin(damped * t))
		);
		const got = valueOf(bounce({ timeS, heightMm }));
		expect(got.dampingRatio).toBeCloseTo(zeta, 4);
		expect(got.dampedFreqHz).toBeCloseTo(damped / (2 * Math.PI), 4);
		expect(got.restMm).toBeCloseTo(600, 2);
	});
});

describe('full car', () => {
	const { car, road, modes, states } = reference.fullCar;

	it('modes are the eigenvalues of M, C, K', () => {
		const got = fullCarModes(car);
		expect(got).toHaveLength(7);
		for (const [i, mode] of modes.entries()) {
			expect(got[i]!.freqHz).toBeCloseTo(mode.freqHz, 7);
			expect(got[i]!.dampingRatio).toBeCloseTo(mode.dampingRatio, 7);
		}
	});

	/** scipy.integrate.solve_ivp, DOP853 at 1e-10. */
	it('drives over a hump as a general integrator does', () => {
		const { rows } = valueOf(fullCar(car, road as Road, 3));
		for (const state of states) {
			const row = rows.find(({ timeS }) => Math.abs(timeS - state.timeS) < 1e-9)!;
			expect(row.bodyMm).toBeCloseTo(state.bodyMm, 2);
			expect(row.pitchDeg).toBeCloseTo(state.pitchDeg, 4);
			expect(row.rollDeg).toBeCloseTo(state.rollDeg, 4);
		}
	});

	it('swings after a bump as its slowest mode says', () => {
		// Same ends, mass in the middle, both axles over the hump at nearly the same moment: heave alone.
		const even = {
			...car,
			massBehindFrontMm: car.wheelbaseMm / 2,
			trackRearMm: car.trackFrontMm,
			unsprungMassKg: { front: 40, rear: 40 },
			wheelRateNPerMm: { front: 25, rear: 25 },
			damperNsPerMm: {
				front: { bump: 0.9, rebound: 0.9 },
				rear: { bump: 0.9, rebound: 0.9 }
			}
		};
		const hump: Road = {
			shape: 'hump',
			heightMm: 40,
			lengthMm: 20_000,
			side: 'both',
			speedKmh: 300
		};
		const { rows, modes } = valueOf(fullCar(even, hump, 6));
		// From well after the hump, when only the body still swings.
		const free = rows.filter(({ timeS }) => timeS > 0.8);
		const swing = valueOf(
			bounce({ timeS: free.map((row) => row.timeS), heightMm: free.map((row) => row.bodyMm) })
		);
		const heave = modes.find((mode) => Math.abs(mode.freqHz - swing.naturalFreqHz) < 0.05)!;
		expect(swing.naturalFreqHz).toBeCloseTo(heave.freqHz, 2);
		expect(swing.dampingRatio).toBeCloseTo(heave.dampingRatio, 2);
	});

	it('comes to rest on top of a step, at its height', () => {
		const step: Road = { shape: 'step', heightMm: 40, lengthMm: 300, side: 'both', speedKmh: 20 };
		const { rows } = valueOf(fullCar(car, step, 12));
		const last = rows[rows.length - 1]!;
		expect(last.bodyMm).toBeCloseTo(40, 2);
		for (const load of Object.values(last.tyreLoadN)) expect(load).toBeCloseTo(0, 0);
	});
});
