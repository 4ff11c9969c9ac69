import { coverage95 } from '../statistics/student.ts';
import { summarize } from '../statistics/summary.ts';
import { combine, type Component } from '../statistics/welch.ts';
import { byStanding, measureHeight, repeatToleranceMm } from './measure.ts';

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
 * Standard deviation of a corner's height from one standing to the next, mm: rolled, bounced and settled anew.
 * Common practice, no source.
 */
export const usualStanceMm = 2;
/** The usual scatter weighs as much as so many measured ones. Own choice. */
const usualWeight = 10;

/** Readings of one height, before or after. */
export interface Heights {
	/** Two or more. */
	readingsMm: readonly number[];
	/** Which standing each was read at: rolled and settled in between; absent: all at one. */
	standings?: readonly number[];
}

interface Standings {
	/** Mean of each standing, mm. */
	means: number[];
	components: Component[];
	/** Squares of how far the means of the standings lie apart. */
	squares: number;
}

function standingsOf({ readingsMm, standings }: Heights, resolutionMm: number): Standings {
	const groups = byStanding(readingsMm, standings).map((group) =>
		summarize(group.map((i) => readingsMm[i]!))
	);
	const means = groups.map(({ mean }) => mean);
	// What is read twice at one standing tells of the tape; pooled over the standings.
	const degrees = groups.reduce((sum, { n }) => sum + n - 1, 0);
	const within = groups.reduce((sum, { n, s }) => sum + (n - 1) * s * s, 0);
	const { mean: middle } = summarize(means);
	const repeat = degrees > 0 ? Math.sqrt(within / degrees) : 0;
	return {
		means,
		components: [
			{
				u: (repeat * Math.sqrt(groups.reduce((sum, { n }) => sum + 1 / n, 0))) / groups.length,
				degreesOfFreedom: Math.max(degrees, 1)
			},
			{ u: resolutionMm / (2 * Math.sqrt(3)), degreesOfFreedom: Infinity }
		],
		squares: means.reduce((sum, mean) => sum + (mean - middle) ** 2, 0)
	};
}

/**
 * Did the height change? Difference of two means with its 95 % interval (JCGM 100:2008, 5.1, G.4). Beside what
 * the tape repeats, a car stands otherwise each time it is rolled and settled: that scatter is the usual one,
 * corrected by what the standings here show. `read-again` when readings of one standing lie further apart than the
 * tolerance.
 *
 * @param resolutionMm smallest step of the tape, 0 or more
 * @param stanceMm usual standard deviation between standings, 0 or more
 */
export function compareHeights(
	before: Heights,
	after: Heights,
	resolutionMm: number,
	{ toleranceMm = repeatToleranceMm, stanceMm = usualStanceMm } = {}
): HeightComparison {
	const [was, is] = [standingsOf(before, resolutionMm), standingsOf(after, resolutionMm)];
	const seen = was.means.length + is.means.length - 2;
	const stance =
		stanceMm === 0
			? 0
			: (usualWeight * stanceMm ** 2 + was.squares + is.squares) / (usualWeight + seen);
	const { u, degreesOfFreedom } = combine([
		...was.components,
		...is.components,
		{
			u: Math.sqrt(stance * (1 / was.means.length + 1 / is.means.length)),
			degreesOfFreedom: stanceMm === 0 ? Infinity : usualWeight + seen
		}
	]);
	const meanBefore = summarize(was.means).mean;
	const meanAfter = summarize(is.means).mean;
	const differenceMm = meanAfter - meanBefore;
	const expandedUncertaintyMm = coverage95(degreesOfFreedom) * u;
	const doubtful = [before, after].some(
		({ readingsMm, standings }) =>
			measureHeight(readingsMm, resolutionMm, toleranceMm, standings).readAgain
	);
	const verdict = doubtful
		? 'read-again'
		: Math.abs(differenceMm) > expandedUncertaintyMm
			? 'changed'
			: 'not-shown-to-have-changed';
	return { meanBefore, meanAfter, differenceMm, expandedUncertaintyMm, degreesOfFreedom, verdict };
}
