import { corners, perCorner, type Corner, type PerCorner } from '../height/corners.ts';
import { ok, type Result } from '../result.ts';
import { influence, type FourCornerCar } from './four-corner.ts';

export interface SagInput extends FourCornerCar {
	/** Hub to arch as measured minus specified; − = low. */
	deviationMm: PerCorner<number>;
	/** Standard uncertainty of one height. */
	heightUncertaintyMm: number;
}

export interface SagSuspect {
	/** The spring that would have lost length, or both of an axle. */
	springs: Corner[];
	/** Free length lost, mm at the spring, each; 0 or more. */
	lossMm: number;
	/** Half-width of its 95 % band. */
	lossExpandedMm: number;
	/** Root mean square of the heights it leaves unexplained. */
	unexplainedMm: number;
	/** Share of the deviation it explains, 0 to 1. */
	explained: number;
}

/**
 * Which spring has sagged? For each single spring, and each pair of an axle, the loss of free length
 * that best explains four heights against specification; ranked by what it leaves unexplained.
 */
export function sagDiagnosis(input: SagInput): Result<{ suspects: SagSuspect[]; warpMm: number }> {
	const known = influence(input);
	if (!known.ok) return known;
	const deviation = corners.map((corner) => input.deviationMm[corner]);
	const size = sumOfSquares(deviation);
	const groups: Corner[][] = [['FL'], ['FR'], ['RL'], ['RR'], ['FL', 'FR'], ['RL', 'RR']];
	const suspects = groups.map((springs): SagSuspect => {
		// A spring shorter by 1 mm is a perch lower by 1 mm.
		const perMm = known.value.heightPerPerch.map(
			(row) => -springs.reduce((sum, corner) => sum + row[corners.indexOf(corner)]!, 0)
		);
		const steep = sumOfSquares(perMm);
		const lossMm = Math.max(0, perMm.reduce((sum, h, i) => sum + h * deviation[i]!, 0) / steep);
		const left = sumOfSquares(deviation.map((d, i) => d - perMm[i]! * lossMm));
		return {
			springs,
			lossMm,
			lossExpandedMm: (2 * input.heightUncertaintyMm) / Math.sqrt(steep),
			unexplainedMm: Math.sqrt(left / 4),
			explained: size > 0 ? 1 - left / size : 0
		};
	});
	const { FL, FR, RL, RR } = perCorner((corner) => input.deviationMm[corner]);
	return ok({
		suspects: suspects.sort((a, b) => a.unexplainedMm - b.unexplainedMm),
		warpMm: (FL + RR - FR - RL) / 4
	});
}

const sumOfSquares = (values: readonly number[]) => values.reduce((sum, v) => sum + v * v, 0);
