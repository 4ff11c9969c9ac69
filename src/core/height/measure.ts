import { coverage95 } from '../statistics/student.ts';
import { median, summarize } from '../statistics/summary.ts';
import { combine, type Component } from '../statistics/welch.ts';

/** Repeats of one height with their uncertainty. */
export interface HeightMeasure {
	n: number;
	meanMm: number;
	/** Spread of the readings, sample standard deviation. */
	sMm: number;
	rangeMm: number;
	/** Combined standard uncertainty of the mean: repeatability and resolution. */
	standardUncertaintyMm: number;
	degreesOfFreedom: number;
	/** Half-width of the 95 % interval; absent for one reading, whose repeatability is unknown. */
	expandedUncertaintyMm?: number;
	/** Index of the reading that does not fit the others, if one stands out. */
	outlier?: number;
	/** Readings differ by more than the tolerance: read again. */
	readAgain: boolean;
}

/** Readings further apart than this ask for another look. Common practice, no source. */
export const repeatToleranceMm = 5;

/** Indices of the readings of each standing, in the order the standings come. */
export function byStanding(
	readingsMm: readonly number[],
	standings: readonly number[] = []
): number[][] {
	const groups = new Map<number, number[]>();
	for (const i of readingsMm.keys()) {
		const standing = standings[i] ?? 1;
		groups.set(standing, [...(groups.get(standing) ?? []), i]);
	}
	return [...groups.values()];
}

/** The two components of a mean height: repeatability s/√n and resolution r/(2√3) (JCGM 100:2008, 4.2.3, F.2.2.1). */
function heightComponents(readingsMm: readonly number[], resolutionMm: number): Component[] {
	const { n, s } = summarize(readingsMm);
	return [
		{ u: s / Math.sqrt(n), degreesOfFreedom: Math.max(n - 1, 1) },
		{ u: resolutionMm / (2 * Math.sqrt(3)), degreesOfFreedom: Infinity }
	];
}

/**
 * Summary of the readings of one corner.
 *
 * @param readingsMm at least one
 * @param resolutionMm smallest step of the tape or gauge, 0 or more
 * @param toleranceMm readings of one standing further apart than this are doubted
 * @param standings which standing each was read at; absent: one
 */
export function measureHeight(
	readingsMm: readonly number[],
	resolutionMm: number,
	toleranceMm = repeatToleranceMm,
	standings?: readonly number[]
): HeightMeasure {
	const { n, mean, s, min, max } = summarize(readingsMm);
	const groups = byStanding(readingsMm, standings);
	const { u, degreesOfFreedom } = combine(heightComponents(readingsMm, resolutionMm));
	return {
		n,
		meanMm: mean,
		sMm: s,
		rangeMm: max - min,
		standardUncertaintyMm: u,
		degreesOfFreedom,
		expandedUncertaintyMm: n > 1 ? coverage95(degreesOfFreedom) * u : undefined,
		outlier: groups
			.map((group) => {
				const at = findOutlier(
					group.map((i) => readingsMm[i]!),
					toleranceMm
				);
				return at === undefined ? undefined : group[at];
			})
			.find((at) => at !== undefined),
		readAgain: groups.some((group) => {
			const own = group.map((i) => readingsMm[i]!);
			return Math.max(...own) - Math.min(...own) > toleranceMm;
		})
	};
}

/**
 * Index of the single reading that is further than the tolerance from the median while the others
 * agree within it. Grubbs' test is of no use at three readings (it would flag 365, 365, 366).
 */
function findOutlier(readings: readonly number[], toleranceMm: number): number | undefined {
	if (readings.length < 3) return undefined;
	const centre = median(readings);
	const distances = readings.map((reading) => Math.abs(reading - centre));
	const furthest = distances.indexOf(Math.max(...distances));
	const others = readings.filter((_, i) => i !== furthest);
	const agree = Math.max(...others) - Math.min(...others) <= toleranceMm;
	return agree && distances[furthest]! > toleranceMm ? furthest : undefined;
}
