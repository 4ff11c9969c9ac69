import type { FullCar } from './full-car.ts';

/** A made-up car: for examples and tests. */
export const sampleFullCar: FullCar = {
	bodyMassKg: 1250,
	pitchInertiaKgM2: 1900,
	rollInertiaKgM2: 460,
	wheelbaseMm: 2600,
	massBehindFrontMm: 1080,
	trackFrontMm: 1500,
	trackRearMm: 1490,
	unsprungMassKg: { front: 40, rear: 38 },
	wheelRateNPerMm: { front: 25, rear: 24 },
	tyreRateNPerMm: 210,
	antiRollNPerMm: { front: 9, rear: 5 },
	damperNsPerMm: {
		front: { bump: 1.1, rebound: 2.4 },
		rear: { bump: 1, rebound: 2.2 }
	}
};
