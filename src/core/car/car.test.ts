import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { corners, perCorner, type PerCorner } from '../height/corners';
import { collarPlan } from './collar-plan';
import { fourCorner } from './four-corner';
import { sampleCar as car } from './sample';
import { withBand } from '../uncertainty/band';
import { predictHeight, usualPredictUncertainty, type PredictHeightInput } from './predict-height';

const stand = (perchMm: PerCorner<number>) => {
	const result = fourCorner({ ...car, perchMm });
	if (!result.ok) throw new Error(JSON.stringify(result.faults));
	return result.value;
};
const perches = fc.record(
	perCorner(() => fc.double({ min: -15, max: 15, noNaN: true }))
) as fc.Arbitrary<PerCorner<number>>;

describe('four corners', () => {
	it('loads move between wheels; their sum and their moments stay', () => {
		fc.assert(
			fc.property(perches, (perch) => {
				const { FL, FR, RL, RR } = stand(perch).loadChangeN;
				expect(FL + FR + RL + RR).toBeCloseTo(0, 6);
				expect(FL + FR - RL - RR).toBeCloseTo(0, 6);
				expect((FL - FR) * 1500 + (RL - RR) * 1490).toBeCloseTo(0, 3);
			}),
			{ seed: 1 }
		);
	});

	it('two adjustments one after the other do what both together do', () => {
		fc.assert(
			fc.property(perches, perches, (a, b) => {
				const both = stand(perCorner((corner) => (a[corner] + b[corner]) / 2));
				const [first, second] = [stand(a), stand(b)];
				for (const corner of corners) {
					const mean = (first.heightChangeMm[corner] + second.heightChangeMm[corner]) / 2;
					expect(both.heightChangeMm[corner]).toBeCloseTo(mean, 8);
				}
			}),
			{ seed: 2 }
		);
	});

	it('a stiffer car is a lower one for nobody: more perch, more height at that corner', () => {
		for (const corner of corners) {
			const heights = [2, 6, 10].map(
				(p) => stand(perCorner((c) => (c === corner ? p : 0))).heightChangeMm[corner]
			);
			expect(heights).toEqual([...heights].sort((a, b) => a - b));
		}
	});

	it('mirrored perches on a mirrored car stand mirrored', () => {
		const flip = <T>({ FL, FR, RL, RR }: PerCorner<T>) => ({ FL: FR, FR: FL, RL: RR, RR: RL });
		const perchMm = { FL: 4, FR: -3, RL: 7, RR: 1 };
		const mirrored = fourCorner({ ...car, loadsN: flip(car.loadsN), perchMm: flip(perchMm) });
		if (!mirrored.ok) throw new Error('no stand');
		for (const corner of corners) {
			expect(flip(mirrored.value.heightChangeMm)[corner]).toBeCloseTo(
				stand(perchMm).heightChangeMm[corner],
				9
			);
		}
	});

	it('a perch that would lift a wheel is refused, naming the wheel', () => {
		const light = { ...car, loadsN: { ...car.loadsN, RR: 150 } };
		const result = fourCorner({ ...light, perchMm: { FL: 0, FR: 0, RL: 120, RR: 0 } });
		expect(!result.ok && result.faults[0]!.field).toBe('perchMm.RR');
	});
});

describe('collar plan', () => {
	it('heights that perches have made are found again', () => {
		fc.assert(
			fc.property(perches, (perch) => {
				const made = stand(perch);
				const plan = collarPlan({
					...car,
					targetHeightChangeMm: made.heightChangeMm,
					targetCrossWeight: made.crossWeight.after,
					crossWeightMmPerPercent: 20,
					threadPitchMm: 0.01,
					limitsMm: { min: -30, max: 30 }
				});
				if (!plan.ok) throw new Error('no plan');
				for (const corner of corners) {
					expect(plan.value.perchMm[corner]).toBeCloseTo(perch[corner], 1);
				}
				expect(plan.value.residualMm).toBeLessThan(0.02);
			}),
			{ seed: 3, numRuns: 40 }
		);
	});

	it('limits without a whole quarter-turn between them are named', () => {
		const plan = collarPlan({
			...car,
			targetHeightChangeMm: perCorner(() => 1),
			threadPitchMm: 2,
			limitsMm: { min: 0.1, max: 0.4 }
		});
		expect(!plan.ok && plan.faults[0]!.field).toBe('limitsMm');
	});

	it('limits the wrong way round are named', () => {
		const plan = collarPlan({
			...car,
			targetHeightChangeMm: perCorner(() => 1),
			threadPitchMm: 2,
			limitsMm: { min: 5, max: -5 }
		});
		expect(!plan.ok && plan.faults[0]!.field).toBe('limitsMm.min');
	});

	it('no other quarter-turns come nearer, also where the cross weight is free', () => {
		const near = [-2, -1, 0, 1, 2];
		fc.assert(
			fc.property(perches, fc.constantFrom(0, 1, 4), (perch, crossWeightMmPerPercent) => {
				const input = {
					...car,
					targetHeightChangeMm: stand(perch).heightChangeMm,
					crossWeightMmPerPercent,
					threadPitchMm: 6,
					limitsMm: { min: -30, max: 30 }
				};
				const plan = collarPlan(input);
				if (!plan.ok) return;
				const before = plan.value.predicted.crossWeight.before;
				const cost = (perchMm: PerCorner<number>) => {
					const { heightChangeMm, crossWeight } = stand(perchMm);
					const heights = corners.reduce(
						(sum, c) => sum + (heightChangeMm[c] - input.targetHeightChangeMm[c]) ** 2,
						0
					);
					const cross = 100 * crossWeightMmPerPercent * (crossWeight.after - before);
					return heights + cross ** 2;
				};
				const own = cost(plan.value.perchMm);
				for (const a of near)
					for (const b of near)
						for (const c of near)
							for (const d of near) {
								const { FL, FR, RL, RR } = plan.value.perchMm;
								const other = {
									FL: FL + 1.5 * a,
									FR: FR + 1.5 * b,
									RL: RL + 1.5 * c,
									RR: RR + 1.5 * d
								};
								if (corners.some((corner) => Math.abs(other[corner]) > 30)) continue;
								expect(cost(other)).toBeGreaterThan(own - 1e-6);
							}
			}),
			{ seed: 8, numRuns: 12 }
		);
	});

	it('nothing wanted, nothing turned', () => {
		const plan = collarPlan({
			...car,
			targetHeightChangeMm: perCorner(() => 0),
			threadPitchMm: 1.5,
			limitsMm: { min: -20, max: 20 }
		});
		expect(plan.ok && plan.value.turns).toEqual({ FL: 0, FR: 0, RL: 0, RR: 0 });
	});
});

describe('height with new parts', () => {
	const input: PredictHeightInput = {
		heightBeforeMm: 352,
		sprungLoadN: 3600,
		motionRatio: 0.9,
		oldSpring: { rateNPerMm: 25, freeLengthMm: 340 },
		newSpring: { rateNPerMm: 25, freeLengthMm: 340 },
		seatChangeMm: 0,
		settlingMm: 0
	};
	const predicted = (change: Partial<PredictHeightInput>) => {
		const result = predictHeight({ ...input, ...change });
		if (!result.ok) throw new Error(JSON.stringify(result.faults));
		return result.value;
	};

	it('is not fooled by what the old spring lost, once it is measured under the car', () => {
		// Sold with 340 mm, it stands 8 mm shorter than that makes it.
		const sold = predictHeight(input);
		if (!sold.ok) throw new Error('no height');
		const { oldSpring: _, ...rest } = input;
		const measured = predictHeight({
			...rest,
			oldSpringLengthMm: sold.value.oldSpringLengthMm - 8
		});
		if (!measured.ok) throw new Error('no height');
		expect(measured.value.newHeightMm - sold.value.newHeightMm).toBeCloseTo(
			8 / input.motionRatio,
			9
		);
		const neither = predictHeight(rest);
		expect(!neither.ok && neither.faults[0]!.field).toBe('oldSpringLengthMm');
	});

	it('is surer where the load was read on scales', () => {
		const { oldSpring: _, ...rest } = input;
		const band = (weighed: boolean) => {
			const given = { ...rest, weighed, oldSpringLengthMm: 190 };
			const told = withBand(predictHeight, given, usualPredictUncertainty(given));
			return told.ok ? told.value.expanded.settledHeightMm : NaN;
		};
		expect(band(true)).toBeLessThan(0.8 * band(false));
	});

	it('gas in the new damper lifts the car by its share over the wheel rate', () => {
		const stands = (gasForceNewN: number) => {
			const found = predictHeight({ ...input, gasForceNewN });
			if (!found.ok) throw new Error('no height');
			return found.value.newHeightMm;
		};
		const { rateNPerMm } = input.newSpring;
		expect(stands(200) - stands(0)).toBeCloseTo(200 / rateNPerMm / input.motionRatio, 6);
	});

	it('the same spring again stands where the old one stood', () => {
		expect(predicted({}).settledHeightMm).toBeCloseTo(352, 10);
		expect(predicted({ settlingMm: 5 }).settledHeightMm).toBeCloseTo(347, 10);
	});
	it('a spring longer by 9 mm lifts by 9 over the motion ratio, and so does a perch', () => {
		const longer = { rateNPerMm: 25, freeLengthMm: 349 };
		expect(predicted({ newSpring: longer }).changeMm).toBeCloseTo(10, 10);
		expect(predicted({ seatChangeMm: 9 }).changeMm).toBeCloseTo(10, 10);
	});
	it('a stiffer spring of the same length stands higher by the difference of the deflections', () => {
		const { changeMm } = predicted({ newSpring: { rateNPerMm: 32, freeLengthMm: 340 } });
		expect(changeMm).toBeCloseTo((4000 / 25 - 4000 / 32) / 0.9, 9);
	});
	it('a motion ratio that grows in bump: spring force and load balance there', () => {
		const gain = 0.001;
		const lower = predicted({
			motionRatioPerMm: gain,
			newSpring: { rateNPerMm: 25, freeLengthMm: 310 }
		});
		const here = 0.9 - gain * lower.changeMm;
		const length =
			lower.oldSpringLengthMm + (0.9 * lower.changeMm - (gain * lower.changeMm ** 2) / 2);
		expect(25 * (310 - length)).toBeCloseTo(3600 / here, 6);
		expect(lower.newSpringLengthMm).toBeCloseTo(length, 6);
	});
	it('a spring that cannot carry the car is refused', () => {
		const result = predictHeight({ ...input, newSpring: { rateNPerMm: 8, freeLengthMm: 340 } });
		expect(!result.ok && result.faults[0]!.field).toBe('newSpring.rateNPerMm');
	});
});
