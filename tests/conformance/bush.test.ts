import { describe, expect, it } from 'vitest';
import { bushSet, type BushSetInput } from '../../src/core/bush/set';
import { shearModulusByHardness, shearModulusMPa } from '../../src/core/bush/rubber';
import { greatestShearStrain, torsionalStiffness } from '../../src/core/bush/torsion';

const size = { innerDiameterMm: 20, outerDiameterMm: 42, lengthMm: 45 };

/**
 * Elementary torsion of an annulus between bonded sleeves. The closed form is Göbel's, Rubber Springs
 * Design (from memory); here it is recomputed by adding up thin rings: at radius r the moment M is
 * carried by shear stress τ = M/(2πr²ℓ), the strain is τ/G, and a ring dr twists by strain·dr/r.
 */
describe('torsion of a bonded bush against a sum over thin rings', () => {
	const modulus = 0.81;
	const moment = 1000;
	let twist = 0;
	const [a, b] = [size.innerDiameterMm / 2, size.outerDiameterMm / 2];
	const rings = 200_000;
	for (let i = 0; i < rings; i++) {
		const r = a + ((i + 0.5) * (b - a)) / rings;
		twist += (moment / (2 * Math.PI * r * r * size.lengthMm * modulus) / r) * ((b - a) / rings);
	}

	it('stiffness', () => {
		expect(torsionalStiffness(size, modulus)).toBeCloseTo(moment / twist, 3);
	});

	it('greatest strain stands at the inner sleeve', () => {
		const strain = moment / (2 * Math.PI * a * a * size.lengthMm * modulus);
		expect(greatestShearStrain(size, twist)).toBeCloseTo(strain, 8);
	});
});

/** Lindley, Engineering Design with Natural Rubber (from memory). */
describe('shear modulus by hardness', () => {
	it('gives the table’s rows', () => {
		for (const [irhd, modulus] of shearModulusByHardness) {
			expect(shearModulusMPa(irhd)).toEqual({ ok: true, value: modulus });
		}
	});

	it('interpolates between rows and refuses outside them', () => {
		expect(shearModulusMPa(57.5)).toEqual({ ok: true, value: expect.closeTo(0.935, 9) });
		for (const outside of [44.9, 70.1, NaN, -1]) expect(shearModulusMPa(outside).ok).toBe(false);
	});
});

describe('bush set at the wrong height', () => {
	const input: BushSetInput = {
		armLengthMm: 350,
		outerBelowInnerMm: 20,
		referenceHubToArchMm: 365,
		setHubToArchMm: 430,
		rideHubToArchMm: 365,
		bush: { ...size, hardnessIrhd: 55 },
		bushCount: 2,
		wheelRateNPerMm: 24
	};
	const result = bushSet(input);
	const value = result.ok ? result.value : undefined;

	it('twist is the difference of two arcsines', () => {
		const expected = ((Math.asin(85 / 350) - Math.asin(20 / 350)) * 180) / Math.PI;
		expect(value!.twistDeg).toBeCloseTo(expected, 10);
	});

	// Virtual work checked by energy: two bushes store ½kθ² each; the wheel force is the slope of that
	// energy over wheel travel, here by a central difference.
	it('wheel force is the slope of the stored energy', () => {
		const k = torsionalStiffness(size, 0.81);
		const energy = (h: number) => {
			const twist = Math.asin(85 / 350) - Math.asin((20 + h - 365) / 350);
			return 2 * 0.5 * k * twist * twist;
		};
		const slope = (energy(365.01) - energy(364.99)) / 0.02;
		expect(value!.wheelForceN).toBeCloseTo(-slope, 3);
		expect(value!.heightErrorMm).toBeCloseTo(-slope / 24, 4);
	});

	it('a bush clamped hanging holds the car up; one clamped too low pulls it down', () => {
		expect(value!.heightErrorMm).toBeGreaterThan(0);
		const low = bushSet({ ...input, setHubToArchMm: 300 });
		expect(low.ok && low.value.heightErrorMm).toBeLessThan(0);
	});
});
