/** The ways a ride height is measured. Heights of different schools are never compared as they are. */
import { faulty, ok, type Result } from '../result.ts';
import { withUnit, type Quantity } from '../units/parse.ts';

export interface School {
	key: SchoolKey;
	name: string;
	/** From where to where the tape goes. */
	measured: string;
	/** Readings outside this are refused as slips, in mm. */
	minMm: number;
	maxMm: number;
	/** How the school becomes hub to arch, in words; undefined for hub to arch itself. */
	toHubToArch?: string;
}

export const schoolKeys = [
	'hub-to-arch',
	'ground-to-arch',
	'ground-to-sill',
	'pivot-difference'
] as const;
export type SchoolKey = (typeof schoolKeys)[number];

export const schools: Readonly<Record<SchoolKey, School>> = {
	'hub-to-arch': {
		key: 'hub-to-arch',
		name: 'Hub to arch',
		measured: 'Wheel centre straight up to the arch lip',
		minMm: 150,
		maxMm: 800
	},
	'ground-to-arch': {
		key: 'ground-to-arch',
		name: 'Ground to arch',
		measured: 'Floor straight up to the arch lip',
		minMm: 350,
		maxMm: 1300,
		toHubToArch: 'hub to arch = ground to arch − loaded tyre radius'
	},
	'ground-to-sill': {
		key: 'ground-to-sill',
		name: 'Ground to sill',
		measured: 'Floor to the jacking seam or body datum nearest the wheel',
		minMm: 50,
		maxMm: 700,
		toHubToArch:
			'hub to arch = ground to sill + offset, both read once with the car standing the same'
	},
	'pivot-difference': {
		key: 'pivot-difference',
		name: 'Pivot difference',
		measured: 'Height of the inner pivot bolt minus height of the outer ball joint',
		minMm: -200,
		maxMm: 300,
		toHubToArch:
			'hub to arch = pivot difference + offset, both read once with the car standing the same'
	}
};

/**
 * A height of any school as hub to arch.
 *
 * @param offsetMm what is added to the reading to give hub to arch, stated for this axle; for ground
 *   to arch it is the loaded tyre radius, negative. Not needed for hub to arch.
 * @returns hub to arch in mm, or undefined when the conversion has not been stated.
 */
export function toHubToArchMm(
	heightMm: number,
	school: SchoolKey,
	offsetMm: number | undefined
): number | undefined {
	if (school === 'hub-to-arch') return heightMm;
	return offsetMm === undefined ? undefined : heightMm + offsetMm;
}

/** Whether a height can be one of this school at all; a fault says what would be. */
export function checkHeight(field: string, height: Quantity, key: SchoolKey): Result<Quantity> {
	const { minMm, maxMm, name } = schools[key];
	if (height.si >= minMm && height.si <= maxMm) return ok(height);
	return faulty({
		field,
		message: `${withUnit(height)} cannot be a height ${name.toLowerCase()}: ${minMm} to ${maxMm} mm is possible. Look at the unit and the tape`,
		value: height.text
	});
}
