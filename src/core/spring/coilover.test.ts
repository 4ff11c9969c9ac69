import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { coilover, type CoiloverInput } from './coilover';

const input: CoiloverInput = {
	springRateNPerMm: 60,
	freeLengthMm: 200,
	solidLengthMm: 75,
	motionRatio: 0.8,
	sprungLoadN: 3200,
	damperStrokeMm: 110,
	preloadMm: 10,
	threadPitchMm: 2
};
const standing = (change: Partial<CoiloverInput> = {}) => {
	const result = coilover({ ...input, ...change });
	if (!result.ok) throw new Error(JSON.stringify(result.faults));
	return result.value;
};

describe('a coilover in its travel', () => {
	it('stands where spring and load balance', () => {
		const stands = standing();
		expect(stands.springForceN).toBe(4000);
		expect(stands.damperFromExtendedMm).toBeCloseTo(4000 / 60 - 10, 12);
		expect(stands.droopAtWheelMm).toBeCloseTo((4000 / 60 - 10) / 0.8, 12);
		expect(stands.droopAtWheelMm + stands.bumpAtWheelMm).toBeCloseTo(110 / 0.8, 12);
		expect(stands.bindMarginMm).toBe(200 - 10 - 110 - 75);
	});

	it('is topped out when the preload alone is more than the load', () => {
		const stands = standing({ preloadMm: 80, damperStrokeMm: 40 });
		expect(stands).toMatchObject({ toppedOut: true, damperFromExtendedMm: 0, droopAtWheelMm: 0 });
	});

	it('is bottomed out when the spring cannot carry the load inside the stroke', () => {
		expect(standing({ damperStrokeMm: 40 })).toMatchObject({ bottomedOut: true, bumpAtWheelMm: 0 });
	});

	it('has a loose spring at droop below zero preload', () => {
		expect(standing({ preloadMm: -2 }).looseAtDroop).toBe(true);
		expect(standing({ preloadMm: 0 }).looseAtDroop).toBe(false);
	});

	it('warns within 5 % of the solid length, and beyond', () => {
		expect(standing({ solidLengthMm: 70 }).bind).toBe('clear');
		expect(standing({ solidLengthMm: 78 }).bind).toBe('within-margin');
		expect(standing({ solidLengthMm: 81 }).bind).toBe('coil-bound');
	});

	it('perch up by p lifts the wheel by p over the motion ratio', () => {
		const stands = standing({ heightChangeMm: 12 });
		expect(stands.turnsForHeight).toBeCloseTo((12 * 0.8) / 2, 12);
		const after = standing({ preloadMm: stands.preloadAfterMm });
		expect(after.droopAtWheelMm - standing().droopAtWheelMm).toBeCloseTo(-12, 10);
	});

	it('a length adjuster moves height and keeps preload', () => {
		const stands = standing({ heightChangeMm: -20, bodyLengthAdjuster: true });
		expect(stands.turnsForHeight).toBeCloseTo(-8, 12);
		expect(stands.preloadAfterMm).toBe(10);
	});

	it('a topped-out damper cannot be wound higher', () => {
		const result = coilover({ ...input, preloadMm: 80, damperStrokeMm: 40, heightChangeMm: 5 });
		expect(!result.ok && result.faults[0]!.field).toBe('heightChangeMm');
	});

	it('any height wanted is had with the turns it says, unless an end is met', () => {
		const wanted = fc.double({ min: -60, max: 40, noNaN: true });
		const preload = fc.double({ min: -5, max: 60, noNaN: true });
		fc.assert(
			fc.property(wanted, preload, (heightChangeMm, preloadMm) => {
				const before = standing({ preloadMm });
				const { preloadAfterMm } = standing({ preloadMm, heightChangeMm });
				const after = standing({ preloadMm: preloadAfterMm });
				if (after.toppedOut || after.bottomedOut || before.bottomedOut) return;
				expect(before.droopAtWheelMm - after.droopAtWheelMm).toBeCloseTo(heightChangeMm, 8);
			}),
			{ seed: 5 }
		);
	});
});
