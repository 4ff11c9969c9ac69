import { manyDegrees } from './student.ts';

/** One contribution to a combined uncertainty. */
export interface Component {
	/** Standard uncertainty, in the unit of the result. */
	u: number;
	/** Degrees of freedom; `Infinity` for a bound known by design, such as a scale's resolution. */
	degreesOfFreedom: number;
}

/**
 * Root sum of squares, and effective degrees of freedom by Welch–Satterthwaite
 * (JCGM 100:2008, 5.1.2 and G.4.1). Degrees are capped at a million in place of infinity.
 */
export function combine(components: readonly Component[]): Component {
	let variance = 0;
	let weight = 0;
	for (const { u, degreesOfFreedom } of components) {
		variance += u * u;
		weight += u ** 4 / degreesOfFreedom;
	}
	const degrees = weight > 0 ? (variance * variance) / weight : manyDegrees;
	return { u: Math.sqrt(variance), degreesOfFreedom: Math.min(degrees, manyDegrees) };
}
