/** Wheelbase and tracks of a car that nobody has measured yet. */
import type { Vehicle } from '../job/model.ts';
import type { Estimate } from '../layout/types.ts';

export const sizeNames = ['wheelbaseMm', 'front.trackMm', 'rear.trackMm'] as const;
export type SizeName = (typeof sizeNames)[number];

/** What passenger cars usually have, with its standard uncertainty: common practice, no source. */
export const usualSizes: Readonly<Record<SizeName, Estimate>> = {
	wheelbaseMm: { value: 2600, u: 120 },
	'front.trackMm': { value: 1520, u: 50 },
	'rear.trackMm': { value: 1520, u: 50 }
};

type Sized = Pick<Vehicle, 'wheelbaseMm' | 'axles' | 'entered'>;

export const sizeOf = ({ wheelbaseMm, axles }: Sized, name: SizeName): number =>
	name === 'wheelbaseMm' ? wheelbaseMm : axles[name === 'front.trackMm' ? 'front' : 'rear'].trackMm;

/** Sizes that stand at their usual values because nobody has said another. */
export const assumedSizes = (vehicle: Sized): SizeName[] =>
	sizeNames.filter(
		(name) =>
			vehicle.entered[name] === undefined && sizeOf(vehicle, name) === usualSizes[name].value
	);
