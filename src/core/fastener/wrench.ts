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

/**
 * Permitted deviation by ISO 6789-1 (from memory): 6 % for a tool whose maximum is up to 10 N·m, 4 % for one that
 * reaches higher, over its whole range.
 */
export const permittedDeviation = (highestNm: number): number => (highestNm > 10 ? 0.04 : 0.06);

/**
 * Calibration readings, usually at 20, 60 and 100 % of the range, against the permitted deviation
 * (ISO 6789-1: set value minus reference reading, over the reference reading).
 *
 * @param highestNm the tool's maximum; absent: the highest that was set
 */
export function calibration(
	readings: readonly { setNm: number; readNm: number }[],
	highestNm = Math.max(...readings.map(({ setNm }) => setNm))
) {
	const permitted = permittedDeviation(highestNm);
	const judged = readings.map(({ setNm, readNm }) => {
		const deviation = (setNm - readNm) / readNm;
		// A reading on the line passes whatever the last digit of a division is.
		return { deviation, permitted, passes: Math.abs(deviation) <= permitted + 1e-12 };
	});
	return { passes: judged.every(({ passes }) => passes), readings: judged };
}
