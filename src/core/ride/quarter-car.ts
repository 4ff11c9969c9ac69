import { Matrix } from 'ml-matrix';
import { modesOf } from './modes.ts';

export interface QuarterCar {
	sprungMassKg: number;
	unsprungMassKg: number;
	wheelRateNPerMm: number;
	tyreRateNPerMm: number;
	/** At the wheel, N·s/mm. */
	damperNsPerMm: number;
}

export interface QuarterCarModes {
	/** Undamped modulus |λ|/2π of the damped pair. */
	bodyFreqHz: number;
	hopFreqHz: number;
	/** −Re λ / |λ|. */
	bodyDampingRatio: number;
	hopDampingRatio: number;
}

/** Eigenvalues of a sprung mass on spring and damper over an unsprung mass on its tyre. */
export function quarterCar(car: QuarterCar): QuarterCarModes {
	const { sprungMassKg: m, unsprungMassKg: u } = car;
	const k = car.wheelRateNPerMm * 1000;
	const kt = car.tyreRateNPerMm * 1000;
	const c = car.damperNsPerMm * 1000;
	const [body, hop] = modesOf(
		new Matrix([
			[0, 0, 1, 0],
			[0, 0, 0, 1],
			[-k / m, k / m, -c / m, c / m],
			[k / u, -(k + kt) / u, c / u, -c / u]
		])
	);
	return {
		bodyFreqHz: body!.freqHz,
		hopFreqHz: hop!.freqHz,
		bodyDampingRatio: body!.dampingRatio,
		hopDampingRatio: hop!.dampingRatio
	};
}

/** Single mass: f = √(k/m)/2π, Hz. Rate in N/mm. */
export const naturalFreqHz = (rateNPerMm: number, massKg: number): number =>
	Math.sqrt((rateNPerMm * 1000) / massKg) / (2 * Math.PI);

/** Single mass: ζ = c/(2√(km)). Rate in N/mm, damper in N·s/mm. */
export const dampingRatio = (damperNsPerMm: number, rateNPerMm: number, massKg: number): number =>
	(damperNsPerMm * 1000) / (2 * Math.sqrt(rateNPerMm * 1000 * massKg));

export type RideVerdict = 'soft' | 'passenger' | 'sports' | 'stiff';

/** Passenger cars 1.0 to 1.5 Hz, sports to 2: common practice, no source. */
export const rideVerdict = (bodyFreqHz: number): RideVerdict =>
	bodyFreqHz < 1 ? 'soft' : bodyFreqHz <= 1.5 ? 'passenger' : bodyFreqHz <= 2 ? 'sports' : 'stiff';
