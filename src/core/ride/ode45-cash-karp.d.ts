/** The package ships no declarations; this is the part of it in use. */
declare module 'ode45-cash-karp' {
	interface Integrator {
		y: Float64Array;
		t: number;
		dt: number;
		/** One accepted step, not past the limit. */
		step(limit?: number): boolean;
	}
	export default function ode45(
		y0: Float64Array,
		derivative: (out: Float64Array, y: Float64Array, t: number) => void,
		t0: number,
		dt0: number,
		options?: {
			tol?: number;
			dtMaxMag?: number;
			dtMinMag?: number;
			verbose?: boolean;
			errorScaleFunction?: (i: number, dt: number, y: number, rate: number) => number;
		}
	): Integrator;
}
