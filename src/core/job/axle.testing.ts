import type { VehicleAxle } from './model.ts';

/** An axle of which nothing was measured but what is said here. For tests. */
export const bareAxle = (layout: string, known: Partial<VehicleAxle> = {}): VehicleAxle => ({
	layout,
	trackMm: 1500,
	tyreSize: '205/55 R16',
	armLengthMm: null,
	outerBelowInnerMm: null,
	referenceHubToArchMm: null,
	wheelRateNPerMm: null,
	makerHeightMm: null,
	makerHeightSchool: null,
	tape: null,
	hardpoints: null,
	...known
});
