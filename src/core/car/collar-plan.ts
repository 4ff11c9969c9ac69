import { corners, perCorner, type PerCorner } from '../height/corners.ts';
import { faulty, ok, type Fault, type Result } from '../result.ts';
import { boundedLeastSquares } from './bounded-least-squares.ts';
import {
	crossWeight,
	influence,
	liftedWheels,
	standAfter,
	type FourCornerCar,
	type FourCornerResult
} from './four-corner.ts';
import { nearestSteps } from './nearest-steps.ts';

export interface CollarPlanInput extends FourCornerCar {
	targetHeightChangeMm: PerCorner<number>;
	/** As a share, 0 to 1; only where scales were read. */
	targetCrossWeight?: number;
	threadPitchMm: number;
	/** How far a perch may move from where it is. */
	limitsMm: { min: number; max: number };
	/** Weight of each height target, 1 if absent. */
	heightWeight?: PerCorner<number>;
	/** How many mm of height error one percent of cross weight is worth. Default 2 with a target, 1 without. */
	crossWeightMmPerPercent?: number;
}

export interface CollarPlanResult {
	/** Whole quarter-turns as turns, + = perch up. */
	turns: PerCorner<number>;
	perchMm: PerCorner<number>;
	predicted: FourCornerResult;
	/** Root mean square of what is left to the height targets, with the rounded turns. */
	residualMm: number;
	/** The same before rounding: what no collar can give, since four heights are three freedoms. */
	unroundedResidualMm: number;
	/** Corners whose collar stands at its limit. */
	atLimit: string[];
}

/**
 * Turns of the four collars that come nearest to the height targets and to a cross weight. Without a
 * target the cross weight is wanted as it is: otherwise a millimetre of reading error would be bought
 * with a large shift of load. Of all quarter-turns within the limits none comes nearer.
 */
export function collarPlan(input: CollarPlanInput): Result<CollarPlanResult> {
	const known = influence(input);
	if (!known.ok) return known;
	const { limitsMm, threadPitchMm, targetHeightChangeMm: targets, targetCrossWeight } = input;
	const quarter = threadPitchMm / 4;
	const low = Math.ceil(limitsMm.min / quarter - 1e-9);
	const high = Math.floor(limitsMm.max / quarter + 1e-9);
	const faults: Fault[] = [];
	if (limitsMm.min > limitsMm.max) {
		faults.push({
			field: 'limitsMm.min',
			value: limitsMm.min,
			message: `must not be above max (${limitsMm.max})`
		});
	} else if (low > high) {
		faults.push({
			field: 'limitsMm',
			message: `leave no whole quarter-turn (${quarter} mm) between them`
		});
	}
	if (faults.length) return faulty(...faults);

	const total = corners.reduce((sum, corner) => sum + input.loadsN[corner], 0);
	const before = crossWeight(input.loadsN);
	const worth = 100 * (input.crossWeightMmPerPercent ?? (targetCrossWeight === undefined ? 1 : 2));
	const weight = corners.map((corner) => Math.sqrt(input.heightWeight?.[corner] ?? 1));
	const { heightPerPerch, loadPerPerch } = known.value;
	const crossRow = corners.map(
		(_, j) => ((loadPerPerch[1]![j]! + loadPerPerch[2]![j]!) / total) * worth
	);
	const rows = [
		...heightPerPerch.map((row, i) => row.map((value) => value * weight[i]!)),
		crossRow,
		// Of two plans that do the same, the one with less turning.
		...corners.map((_, i) => corners.map((_, j) => (i === j ? 1e-5 : 0)))
	];
	const wanted = [
		...corners.map((corner, i) => targets[corner] * weight[i]!),
		((targetCrossWeight ?? before) - before) * worth,
		...corners.map(() => 0)
	];
	const exact = boundedLeastSquares(
		rows,
		wanted,
		corners.map(() => ({ min: low * quarter, max: high * quarter }))
	);

	const quarters = nearestSteps(
		rows.map((row) => row.map((value) => value * quarter)),
		wanted,
		low,
		high
	);
	const perchOf = (perch: readonly number[]) =>
		perCorner((corner) => perch[corners.indexOf(corner)]!);
	const perchMm = perchOf(quarters.map((q) => q * quarter));
	const predicted = standAfter(input, known.value, perchMm);
	const lifted = liftedWheels(input, predicted);
	if (lifted.length) {
		return faulty(
			...lifted.map((corner) => ({
				field: `targetHeightChangeMm.${corner}`,
				value: targets[corner],
				message: `cannot be had: the collars that come nearest would lift the ${corner} wheel off the ground`
			}))
		);
	}
	return ok({
		turns: perCorner((corner) => quarters[corners.indexOf(corner)]! / 4),
		perchMm,
		predicted,
		residualMm: leftOver(predicted.heightChangeMm, targets),
		unroundedResidualMm: leftOver(
			standAfter(input, known.value, perchOf(exact)).heightChangeMm,
			targets
		),
		atLimit: corners.filter((_, i) => quarters[i] === low || quarters[i] === high)
	});
}

const leftOver = (heights: PerCorner<number>, targets: PerCorner<number>): number =>
	Math.sqrt(corners.reduce((sum, corner) => sum + (heights[corner] - targets[corner]) ** 2, 0) / 4);
