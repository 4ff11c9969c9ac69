import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { randomLcg, randomNormal } from 'd3-random';
import { accelerationBounce, bounce } from './bounce';
import { accelerationOf, heightOf, type Swing } from './swing';
import { modesOf } from './modes';
import { Matrix } from 'ml-matrix';
import { quarterCar, rideVerdict } from './quarter-car';

/** Body held down by `push`, let go after `hold` seconds. */
function trace(zeta: number, freqHz: number, push = -40, hold = 0, seconds = 3, stepS = 0.01) {
	const natural = 2 * Math.PI * freqHz;
	const damped = natural * Math.sqrt(Math.max(0, 1 - zeta * zeta));
	const timeS = Array.from({ length: Math.round(seconds / stepS) }, (_, i) => i * stepS);
	const heightMm = timeS.map((time) => {
		const t = Math.max(0, time - hold);
		if (zeta < 1) {
			const decay = Math.exp(-zeta * natural * t);
			return (
				push * decay * (Math.cos(damped * t) + ((zeta * natural) / damped) * Math.sin(damped * t))
			);
		}
		const root = natural * Math.sqrt(zeta * zeta - 1);
		const [a, b] = [-zeta * natural + root, -zeta * natural - root];
		return (push * (a * Math.exp(b * t) - b * Math.exp(a * t))) / (a - b);
	});
	return { timeS, heightMm };
}
const read = (input: { timeS: number[]; heightMm: number[] }) => {
	const result = bounce(input);
	if (!result.ok) throw new Error(JSON.stringify(result.faults));
	return result.value;
};

describe('bounce trace', () => {
	it('any swing, up or down, held first or not', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0.08, max: 0.6, noNaN: true }),
				fc.double({ min: 0.9, max: 2.2, noNaN: true }),
				fc.constantFrom(-40, 30),
				fc.constantFrom(0, 0.5),
				(zeta, freqHz, push, hold) => {
					const got = read(trace(zeta, freqHz, push, hold, 4));
					expect(got.dampingRatio).toBeCloseTo(zeta, 2);
					expect(got.naturalFreqHz).toBeCloseTo(freqHz, 1);
				}
			),
			{ seed: 4, numRuns: 60 }
		);
	});

	it('a tired damper swings more often than a good one', () => {
		const [tired, worn, good] = [0.08, 0.2, 0.5].map((zeta) => read(trace(zeta, 1.3, -40, 0, 6)));
		expect(tired!.movements).toBeGreaterThan(worn!.movements);
		expect(worn!.movements).toBeGreaterThan(good!.movements);
		// In good order: back and stopped within about one and a half movements; common practice, no source.
		expect(good!.movements).toBeLessThanOrEqual(2);
	});

	it('counts by eye as its ratio says', () => {
		for (const [zeta, movements] of [
			[0.2, 2],
			[0.3, 1.5],
			[0.4, 1],
			[0.6, 1]
		] as const)
			expect(read(trace(zeta, 1.3, -40, 0, 4)).movements, String(zeta)).toBe(movements);
	});

	it('tells dry friction from damping: 2 mm of it is no 0.28', () => {
		const timeS = Array.from({ length: 150 }, (_, i) => i * 0.02);
		const swing = { ratio: 0.2, natural: 8.2, rest: 0, push: -40, friction: 2, delay: 0 };
		const noise = randomNormal.source(randomLcg(0.2))(0, 0.3);
		const got = read({ timeS, heightMm: timeS.map((t) => heightOf(swing, t) + noise()) });
		expect(got.dampingRatio).toBeCloseTo(0.2, 1);
		expect(got.frictionMm).toBeCloseTo(2, 0);
	});

	it('creeps back without a swing when overdamped', () => {
		const got = read(trace(1.5, 1.3));
		expect(got.dampingRatio).toBeGreaterThan(1);
		expect(got).toMatchObject({ dampedFreqHz: 0, movements: 1 });
	});

	it.each([
		['timeS', { timeS: [0, 1, 2], heightMm: [0, 1, 0] }],
		['heightMm', { timeS: [...Array(20).keys()], heightMm: [0, 1, 0] }],
		['heightMm', { timeS: [...Array(40).keys()], heightMm: Array<number>(40).fill(5) }],
		[
			'timeS.5',
			{ timeS: [0, 1, 2, 3, 4, 4, 6, 7, 8, 9, 10, 11, 12], heightMm: [...Array(13).keys()] }
		]
	])('%s that cannot be read is named', (field, input) => {
		const result = bounce(input);
		expect(!result.ok && result.faults.map((fault) => fault.field)).toContain(field);
	});
});

describe('modes', () => {
	it('two real eigenvalues are one overdamped mode', () => {
		// λ² + 2ζωλ + ω² with ω = 2π, ζ = 1.25: eigenvalues −π and −4π.
		const w = 2 * Math.PI;
		const [mode] = modesOf(
			new Matrix([
				[0, 1],
				[-w * w, -2.5 * w]
			])
		);
		expect(mode!.freqHz).toBeCloseTo(1, 10);
		expect(mode!.dampingRatio).toBeCloseTo(1.25, 10);
	});

	it('without a damper nothing is damped', () => {
		const car = {
			sprungMassKg: 360,
			unsprungMassKg: 42,
			wheelRateNPerMm: 25,
			tyreRateNPerMm: 210,
			damperNsPerMm: 0
		};
		const { bodyDampingRatio, hopDampingRatio, bodyFreqHz, hopFreqHz } = quarterCar(car);
		expect(bodyDampingRatio).toBeCloseTo(0, 9);
		expect(hopDampingRatio).toBeCloseTo(0, 9);
		// Product of both: ω₁²ω₂² = k·kt/(m·u).
		const product = (25e3 * 210e3) / (360 * 42);
		expect((2 * Math.PI) ** 4 * (bodyFreqHz * hopFreqHz) ** 2).toBeCloseTo(product, 3);
	});

	/** Common practice, no source. */
	it('passenger cars swing at 1.0 to 1.5 Hz, sports cars to 2', () => {
		expect([0.9, 1.2, 1.8, 2.3].map(rideVerdict)).toEqual(['soft', 'passenger', 'sports', 'stiff']);
	});
});

describe('bounce in acceleration', () => {
	/** Pushed in time with the swing, let go at the bottom, as a phone at 60 Hz feels it. */
	function felt(swing: Swing, noiseMPerS2: number, seed: number, pushes = 3) {
		const noise = randomNormal.source(randomLcg(seed))(0, noiseMPerS2);
		const damped = swing.natural * Math.sqrt(1 - swing.ratio ** 2);
		const pushed = (pushes * 2 * Math.PI) / damped;
		const timeS = Array.from({ length: 420 }, (_, i) => i / 60);
		const accelerationMPerS2 = timeS.map((t) => {
			const hands = Math.abs(swing.push) * (t / pushed);
			const mm =
				t < pushed
					? hands * damped ** 2 * Math.cos(damped * t)
					: accelerationOf({ ...swing, rest: 0 }, t - pushed);
			return mm / 1000 + noise();
		});
		return { timeS, accelerationMPerS2, pushed };
	}
	const swing = { ratio: 0.28, natural: 8.2, rest: 0, push: -40, friction: 1, delay: 0 };

	it('is the second derivative of the height, with and without friction, over and under critical', () => {
		const step = 1e-4;
		for (const ratio of [0.05, 0.3, 0.8, 1.4]) {
			for (const friction of [0, 2]) {
				const one = { ...swing, ratio, friction };
				const damped = one.natural * Math.sqrt(Math.max(0, 1 - ratio ** 2));
				for (const t of [0.05, 0.2, 0.35, 0.6, 1.1]) {
					// Not across a turning point, where friction changes its side.
					const phase = damped ? (t * damped) / Math.PI : 0.5;
					if (Math.abs(phase - Math.round(phase)) < 0.02) continue;
					const bent =
						(heightOf(one, t + step) - 2 * heightOf(one, t) + heightOf(one, t - step)) / step ** 2;
					expect(accelerationOf(one, t)).toBeCloseTo(bent, -0.5);
				}
			}
		}
	});

	it.each([0.1, 0.2, 0.3, 0.45])(
		'reads %f back within its band, however it was pushed',
		(ratio) => {
			for (const [seed, push] of [
				[0.1, -30],
				[0.2, -50],
				[0.3, -40]
			] as const) {
				const got = accelerationBounce(felt({ ...swing, ratio, push }, 0.05, seed));
				if (!got.ok) throw new Error(JSON.stringify(got.faults));
				expect(Math.abs(got.value.dampingRatio - ratio)).toBeLessThan(
					Math.max(0.02, got.value.dampingRatioExpanded)
				);
				expect(got.value.dampingRatioExpanded).toBeLessThan(0.5 * ratio + 0.03);
				expect(got.value.naturalFreqHz).toBeCloseTo(swing.natural / (2 * Math.PI), 0);
			}
		}
	);

	it('what the hands did before it is let go is no swing', () => {
		const { pushed, ...input } = felt(swing, 0.02, 0.4);
		const got = accelerationBounce(input);
		if (!got.ok) throw new Error(JSON.stringify(got.faults));
		expect(got.value.releasedAtS).toBeGreaterThan(pushed - 0.1);
		expect(Math.abs(got.value.pushMm)).toBeGreaterThan(20);
	});

	it('says so where nothing moves, or nothing can be read', () => {
		const timeS = Array.from({ length: 120 }, (_, i) => i / 60);
		const still = accelerationBounce({ timeS, accelerationMPerS2: timeS.map(() => 0.01) });
		expect(still).toMatchObject({ ok: false, faults: [{ field: 'accelerationMPerS2' }] });
		const short = accelerationBounce({ timeS: [0, 1], accelerationMPerS2: [0, 1] });
		expect(short).toMatchObject({ ok: false });
	});
});
