import { describe, expect, it } from 'vitest';
import { identifySpring, springRate } from '../../src/core/spring/rate';
import { springCompressor } from '../../src/core/spring/compressor';
import { springStack } from '../../src/core/spring/series';
import { readSpringTable } from '../../src/core/spring/table';
import { convert, findUnit } from '../../src/core/units/dimensions';
import reference from './reference/reference.json';
import { valueOf } from './value-of';

const inch = 25.4;

describe('coil spring rate', () => {
	/** Shigley, Mechanical Engineering Design, example 10-1 (from memory; recomputed 4.131 lbf/in). */
	it('music wire 0.037 in on 0.400 in, 10.5 coils: 4.13 lbf/in', () => {
		const modulus = 11.85e6 * 6.894757293168361e-6; // psi → GPa
		const { rateNPerMm, index } = valueOf(
			springRate({
				wireDiameterMm: 0.037 * inch,
				meanDiameterMm: 0.4 * inch,
				activeCoils: 10.5,
				shearModulusGPa: modulus
			})
		);
		const rate = convert(rateNPerMm, findUnit('N/mm', 'rate')!, findUnit('lbf/in', 'rate')!);
		expect(rate).toBeCloseTo(4.131, 3);
		expect(index).toBeCloseTo(0.4 / 0.037, 9);
	});

	/** EN 13906-1: K = (w + 0.5)/(w − 0.75), τ = K·8DF/(πd³), by hand for w = 10, d = 10, D = 100. */
	it('corrected shear stress', () => {
		const { stressMPa } = valueOf(
			springRate({
				wireDiameterMm: 10,
				meanDiameterMm: 100,
				activeCoils: 5,
				shearModulusGPa: 81.5,
				forceN: 1000
			})
		);
		expect(stressMPa).toBeCloseTo(((10.5 / 9.25) * 800) / Math.PI, 9);
	});

	it('a caliper over the paint finds the bare spring', () => {
		const bare = springRate({
			wireDiameterMm: 12,
			meanDiameterMm: 130,
			activeCoils: 5.5,
			shearModulusGPa: 79.5
		});
		const found = identifySpring({
			wireDiameterMm: 12.4,
			outerDiameterMm: 142.4,
			totalCoils: 6.5,
			deadCoils: 1,
			freeLengthMm: 345,
			coatMm: 0.2,
			shearModulusGPa: 79.5
		});
		expect(valueOf(found).rateNPerMm).toBeCloseTo(valueOf(bare).rateNPerMm, 9);
		// EN 13906-1 (from memory), ends not ground, over the paint: (n_t + 1.5)·d.
		expect(valueOf(found).solidLengthMm).toBeCloseTo(8 * 12.4, 9);
	});
});

/** Springs in series: 1/k = 1/k₁ + 1/k₂; once the helper is closed the main spring alone. */
it('a helper on a main spring', () => {
	const stack = {
		springs: [
			{ rateNPerMm: 20, travelMm: 30 },
			{ rateNPerMm: 70, travelMm: 110 }
		]
	};
	const soft = (20 * 70) / 90;
	expect(valueOf(springStack(stack)).rateNPerMm).toBeCloseTo(soft, 12);
	const loaded = valueOf(springStack({ ...stack, forceN: 3200 })).atForce!;
	expect(loaded.rateNPerMm).toBe(70);
	// Each spring by itself: the helper closed at 30 mm, the main one at F/k.
	expect(loaded.compressionMm).toBeCloseTo(30 + 3200 / 70, 10);
	expect(springStack({ ...stack, forceN: 7701 }).ok).toBe(false);
});

/** scipy.interpolate.PchipInterpolator (Fritsch and Carlson; slopes as in Fritsch and Butland). */
describe('progressive spring against a general monotone interpolator', () => {
	it.each(reference.springTable.map((table, i) => [i, table] as const))('table %i', (_, table) => {
		const { rows } = valueOf(readSpringTable(table.forceN ? { ...table, forceN: [] } : table));
		for (const [i, row] of rows.entries()) {
			expect(row.forceN).toBeCloseTo(table.forceN[i]!, 6);
			expect(row.rateNPerMm).toBeCloseTo(table.rateNPerMm[i]!, 6);
		}
	});
});

/**
 * Hook compressor: coils in series. The hooked part alone has rate k·n/n_h (EN 13906-1, rate ∝ 1/n); the
 * force and energy here come from that part's own springs, counted coil by coil.
 */
it('the hooked coils take the whole deflection', () => {
	const input = {
		rateNPerMm: 25,
		activeCoils: 6,
		hookedCoils: 4,
		freeLengthMm: 340,
		installedLengthMm: 250,
		clearanceMm: 8,
		screws: 2,
		hooksPerScrew: 1,
		screwLeadMm: 2,
		wireDiameterMm: 12
	};
	const coilRate = 25 * 6;
	const perCoil = (340 - 250 + 8) / 4;
	const found = valueOf(springCompressor(input));
	expect(found.seatForceN).toBe(25 * 90);
	expect(found.hookForceTotalN).toBeCloseTo(coilRate * perCoil, 9);
	expect(found.forcePerHookN).toBeCloseTo((coilRate * perCoil) / 2, 9);
	expect(found.energyJ).toBeCloseTo((4 * (0.5 * coilRate * perCoil ** 2)) / 1000, 9);
	// Hooks stand 4 coils of the installed spring apart before, 4 squeezed coils after.
	const before = 340 * (4 / 6) - 90 * (4 / 6);
	const after = 340 * (4 / 6) - 98;
	expect(found.screwTravelMm).toBeCloseTo(before - after, 9);
	expect(found.turnsPerHook).toBeCloseTo((before - after) / 2, 9);
	expect(found.steps.reduce((sum, turns) => sum + turns)).toBeCloseTo(found.turnsPerHook, 9);
	expect(found.coilBind).toBe(false);
	const tight = valueOf(springCompressor({ ...input, hookedCoils: 2 }));
	expect(tight.coilBind).toBe(true);
});

it('a compressor’s force by hand sum, for one, two and three screws', () => {
	// 27 N/mm over 5.25 coils is 141.75 N/mm a coil; 3.75 coils, drawn 84 + 6 mm: 141.75 × 90 / 3.75 = 3402 N.
	const spring = {
		rateNPerMm: 27,
		activeCoils: 5.25,
		hookedCoils: 3.75,
		freeLengthMm: 342,
		installedLengthMm: 258,
		clearanceMm: 6,
		screwLeadMm: 2,
		wireDiameterMm: 12.4
	};
	const forces = (screws: number, hooksPerScrew: number) => {
		const { hookForceTotalN, forcePerScrewN, forcePerHookN } = valueOf(
			springCompressor({ ...spring, screws, hooksPerScrew })
		);
		return [hookForceTotalN, forcePerScrewN, forcePerHookN].map((n) => Number(n.toFixed(3)));
	};
	expect(forces(1, 1)).toEqual([3402, 3402, 3402]);
	expect(forces(2, 1)).toEqual([3402, 1701, 1701]);
	expect(forces(2, 2)).toEqual([3402, 1701, 850.5]);
	expect(forces(3, 1)).toEqual([3402, 1134, 1134]);
	const rated = { ...spring, screws: 2, hooksPerScrew: 2, ratedLoadPerHookN: 1000 };
	expect(valueOf(springCompressor(rated)).overloaded).toBe(false);
	const screw = { ...rated, ratedLoadPerScrewN: 1500 };
	expect(valueOf(springCompressor(screw)).overloaded).toBe(true);
});
