import { faulty, ok, type Result } from '../result.ts';

/**
 * Setting of a wrench with an in-line adapter: T·L/(L + E·cos α), α between wrench and adapter; at 90°
 * nothing changes. L from the middle of the grip to the drive.
 */
export function wrenchSetting(input: {
	targetNm: number;
	wrenchLengthMm: number;
	adapterLengthMm: number;
	adapterAngleDeg: number;
}): Result<{ settingNm: number }> {
	const { targetNm, wrenchLengthMm: length, adapterLengthMm, adapterAngleDeg } = input;
	// Exactly nothing at right angles, where the cosine of 90° in floating point is not.
	const cosine =
		Math.abs(Math.abs(adapterAngleDeg) - 90) < 1e-9
			? 0
			: Math.cos((adapterAngleDeg * Math.PI) / 180);
	const effective = length + adapterLengthMm * cosine;
	if (effective < 0.2 * length) {
		return faulty({
			field: 'adapterAngleDeg',
			value: adapterAngleDeg,
			message: 'folds the adapter back so far that the wrench has no lever left: turn it outward'
		});
	}
	return ok({ settingNm: (targetNm * length) / effective });
}

export interface Wrench {
	lowestNm: number;
	highestNm: number;
}

/** Working range by ISO 6789-1: from 20 % to all of the highest reading, within its own scale. */
export function workingRange({ lowestNm, highestNm }: Wrench): { fromNm: number; toNm: number } {
	return { fromNm: Math.max(lowestNm, 0.2 * highestNm), toNm: highestNm };
}

/** Permitted deviation of a reading by ISO 6789-1 (from memory): 4 % above 10 N·m, 6 % up to it. */
export const permittedDeviation = (torque: number): number => (torque > 10 ? 0.04 : 0.06);

/**
 * Calibration readings, usually at 20, 60 and 100 % of the range, against the permitted deviation
 * (ISO 6789-1: set value minus reference reading, over the reference reading).
 */
export function calibration(readings: readonly { setNm: number; readNm: number }[]) {
	const judged = readings.map(({ setNm, readNm }) => {
		const deviation = (setNm - readNm) / readNm;
		const permitted = permittedDeviation(setNm);
		// A reading on the line passes whatever the last digit of a division is.
		return { deviation, permitted, passes: Math.abs(deviation) <= permitted + 1e-12 };
	});
	return { passes: judged.every(({ passes }) => passes), readings: judged };
}
