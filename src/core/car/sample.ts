import type { FourCornerCar } from './four-corner.ts';

/** A made-up car: for examples, benches to start from and tests. */
export const sampleCar: FourCornerCar = {
	wheelbaseMm: 2600,
	trackFrontMm: 1500,
	trackRearMm: 1490,
	loadsN: { FL: 3650, FR: 3500, RL: 2550, RR: 2450 },
	wheelRatesNPerMm: { FL: 28, FR: 28, RL: 26, RR: 26 },
	tyreRateNPerMm: 210,
	antiRollNPerMm: { front: 9, rear: 5 },
	motionRatio: { FL: 0.95, FR: 0.95, RL: 0.7, RR: 0.7 }
};
