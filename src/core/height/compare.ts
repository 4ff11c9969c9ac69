import { coverage95 } from '../statistics/student.ts';
import { summarize } from '../statistics/summary.ts';
import { combine } from '../statistics/welch.ts';
import { heightComponents, measureHeight, repeatToleranceMm } from './measure.ts';

type CompareVerdict = 'changed' | 'not-shown-to-have-changed' | 'read-again';

export interface HeightComparison {
	meanBefore: number;
	meanAfter: number;
	/** After minus before, mm. */
	differenceMm: number;
	/** Half-width of the 95 % interval of the difference, mm. */
	expandedUncertaintyMm: number;
	/** Effective, by Welch–Satterthwaite; a million stands for infinity. */
	degreesOfFreedom: number;
	verdict: CompareVerdict;
}

/**
 * Did the height change? Difference of two means with its 95 % interval (JCGM 100:2008, 5.1, G.4).
 * `read-again` when either set holds readings further apart than the tolerance.
 *
 * @param beforeMm, afterMm two or more readings each
 * @param resolutionMm smallest step of the tape, 0 or more
 */
export function compareHeights(
	beforeMm: readonly number[],
	afterMm: readonly number[],
	resolutionMm: number,
	toleranceMm = repeatToleranceMm
): HeightComparison {
	const { u, degreesOfFreedom } = combine([
		...heightComponents(beforeMm, resolutionMm),
		...heightComponents(afterMm, resolutionMm)
	]);
	const meanBefore = summarize(beforeMm).mean;
	const meanAfter = summarize(afterMm).mean;
	const differenceMm = meanAfter - meanBefore;
	const expandedUncertaintyMm = coverage95(degreesOfFreedom) * u;
	const doubtful = [beforeMm, afterMm].some(
		(readings) => measureHeight(readings, resolutionMm, toleranceMm).readAgain
	);
	const verdict = doubtful
		? 'read-again'
		: Math.abs(differenceMm) > expandedUncertaintyMm
			? 'changed'
			: 'not-shown-to-have-changed';
	return { meanBefore, meanAfter, differenceMm, expandedUncertaintyMm, degreesOfFreedom, verdict };
}
