import tQuantile from '@stdlib/stats-base-dists-t-quantile';

/** Stands for "no limit" where a result must be a finite number; t differs from normal by < 1e-5. */
export const manyDegrees = 1e6;

/**
 * Two-sided 95 % coverage factor of Student's t.
 *
 * @param degreesOfFreedom 1 or more, need not be whole; `Infinity` gives the normal 1.95996…
 */
export function coverage95(degreesOfFreedom: number): number {
	return tQuantile(0.975, Math.min(degreesOfFreedom, manyDegrees));
}
