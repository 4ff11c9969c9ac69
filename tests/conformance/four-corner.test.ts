import { describe, expect, it } from 'vitest';
import { boundedLeastSquares } from '../../src/core/car/bounded-least-squares';
import { collarPlan } from '../../src/core/car/collar-plan';
import { fourCorner, type FourCornerCar } from '../../src/core/car/four-corner';
import { sagDiagnosis } from '../../src/core/car/sag';
import { corners, perCorner, type PerCorner } from '../../src/core/height/corners';
import reference from './reference/reference.json';
import { valueOf } from './value-of';

/** Minimum of the potential energy by numpy.linalg.solve (reference/make.py). */
describe('stand of the car against the stiffness matrix of its energy', () => {
	it.each(reference.fourCorner.map((c, i) => [i, c] as const))('car %i', (_, example) => {
		const { car, perchMm, heightChangeMm, loadChangeN } = example;
		const got = valueOf(fourCorner({ ...car, perchMm }));
		for (const [i, corner] of corners.entries()) {
			expect(got.heightChangeMm[corner]).toBeCloseTo(heightChangeMm[i]!, 9);
			expect(got.loadChangeN[corner]).toBeCloseTo(loadChangeN[i]!, 7);
		}
	});
});

/** The symmetric car has closed forms for its four ways to move. */
describe('symmetric car', () => {
	const k = 25;
	const kt = 200;
	const bar = 8;
	const car: FourCornerCar = {
		wheelbaseMm: 2600,
		trackFrontMm: 1500,
		trackRearMm: 1500,
		loadsN: perCorner(() => 3500),
		wheelRatesNPerMm: perCorner(() => k),
		tyreRateNPerMm: kt,
		antiRollNPerMm: { front: bar, rear: bar },
		motionRatio: perCorner(() => 0.8)
	};
	const at = (signs: PerCorner<number>) => perCorner((corner) => 4 * signs[corner]);
	const heightOf = (signs: PerCorner<number>) =>
		valueOf(fourCorner({ ...car, perchMm: at(signs) }));

	it('heave and pitch: the body rises by perch over motion ratio, loads stay', () => {
		for (const signs of [
			{ FL: 1, FR: 1, RL: 1, RR: 1 },
			{ FL: 1, FR: 1, RL: -1, RR: -1 }
		]) {
			const { heightChangeMm, loadChangeN } = heightOf(signs);
			for (const corner of corners) {
				expect(heightChangeMm[corner]).toBeCloseTo((signs[corner] * 4) / 0.8, 9);
				expect(loadChangeN[corner]).toBeCloseTo(0, 7);
			}
		}
	});

	it('roll: the bar resists, k·e = (k + 2·bar)·s', () => {
		const { heightChangeMm, loadChangeN } = heightOf({ FL: 1, FR: -1, RL: 1, RR: -1 });
		expect(heightChangeMm.FL).toBeCloseTo((k * (4 / 0.8)) / (k + 2 * bar), 9);
		expect(loadChangeN.FL).toBeCloseTo(0, 7);
	});

	it('warp: no height of the body, all of it goes into springs, bars and tyres', () => {
		const { heightChangeMm, loadChangeN, crossWeight } = heightOf({ FL: 1, FR: -1, RL: -1, RR: 1 });
		// Body level: s = f/kt and f = k(e − s) − 2·bar·s.
		const f = (k * (4 / 0.8)) / (1 + (k + 2 * bar) / kt);
		expect(loadChangeN.FL).toBeCloseTo(f, 8);
		expect(heightChangeMm.FL).toBeCloseTo(f / kt, 9);
		expect(crossWeight.after).toBeCloseTo((7000 - 2 * f) / 14000, 9);
	});
});

/** scipy.optimize.lsq_linear (bounded-variable least squares). */
describe('bounded least squares against a general solver', () => {
	it.each(reference.boundedLeastSquares.map((c, i) => [i, c] as const))('case %i', (_, example) => {
		const { rows, b, min, max, x } = example;
		const got = boundedLeastSquares(
			rows,
			b,
			min.map((low, i) => ({ min: low, max: max[i]! }))
		);
		for (const [i, value] of x.entries()) expect(got[i]).toBeCloseTo(value, 7);
	});
});

describe('collar plan', () => {
	const { car } = reference.fourCorner[0]!;
	const wide = { threadPitchMm: 0.004, limitsMm: { min: -60, max: 60 } };

	it('finds the way to heights a stiff-tyred car can have, and leaves cross weight alone', () => {
		const stiff = { ...car, tyreRateNPerMm: 1e6 };
		// Heave −12, pitch and roll as a plane over the car.
		const plane: PerCorner<number> = { FL: -9, FR: -11, RL: -13, RR: -15 };
		// A plane over different tracks: roll grows with track.
		const wider = car.trackFrontMm / car.trackRearMm;
		const target = { FL: -10 + wider, FR: -10 - wider, RL: plane.RL, RR: plane.RR };
		const plan = valueOf(collarPlan({ ...stiff, targetHeightChangeMm: target, ...wide }));
		expect(plan.residualMm).toBeLessThan(0.01);
		const { before, after } = plan.predicted.crossWeight;
		expect(after).toBeCloseTo(before, 4);
	});

	it('with scales it brings cross weight to the target too', () => {
		const plan = valueOf(
			collarPlan({
				...car,
				targetHeightChangeMm: perCorner(() => 0),
				targetCrossWeight: 0.5,
				crossWeightMmPerPercent: 100,
				...wide
			})
		);
		expect(plan.predicted.crossWeight.after).toBeCloseTo(0.5, 3);
	});

	it('says whole quarter-turns, and what the car does with just those', () => {
		const plan = valueOf(
			collarPlan({
				...car,
				targetHeightChangeMm: { FL: -12, FR: -10, RL: -8, RR: -10 },
				threadPitchMm: 1.5,
				limitsMm: { min: -25, max: 15 }
			})
		);
		for (const corner of corners) {
			expect(Number.isInteger(plan.turns[corner] * 4)).toBe(true);
			expect(plan.perchMm[corner]).toBeCloseTo(plan.turns[corner] * 1.5, 12);
		}
		const check = valueOf(fourCorner({ ...car, perchMm: plan.perchMm }));
		expect(plan.predicted).toEqual(check);
	});

	it('stays inside the limits and names the collar that stands there', () => {
		const plan = valueOf(
			collarPlan({
				...car,
				targetHeightChangeMm: perCorner(() => -40),
				threadPitchMm: 2,
				limitsMm: { min: -10, max: 10 }
			})
		);
		for (const corner of corners) expect(plan.perchMm[corner]).toBeGreaterThanOrEqual(-10);
		expect(plan.atLimit.length).toBeGreaterThan(0);
	});
});

describe('sag diagnosis', () => {
	it.each(corners)('a spring that lost 12 mm at %s is found, and by how much', (corner) => {
		const { car } = reference.fourCorner[2]!;
		const perchMm = perCorner((other) => (other === corner ? -12 : 0));
		const { heightChangeMm } = valueOf(fourCorner({ ...car, perchMm }));
		const { suspects } = valueOf(
			sagDiagnosis({ ...car, deviationMm: heightChangeMm, heightUncertaintyMm: 1 })
		);
		expect(suspects[0]!.springs).toEqual([corner]);
		expect(suspects[0]!.lossMm).toBeCloseTo(12, 8);
		expect(suspects[0]!.unexplainedMm).toBeCloseTo(0, 8);
		expect(suspects[0]!.explained).toBeCloseTo(1, 10);
	});
});
