/** Which spring has sagged, from a job's heights before and what the maker specifies. */
import { sagDiagnosis, type SagInput, type SagSuspect } from '../car/sag.ts';
import { sampleCar } from '../car/sample.ts';
import { axleOf, corners, perCorner } from '../height/corners.ts';
import { findLayout } from '../layout/catalogue.ts';
import { assumedSizes, usualSizes, type SizeName } from '../vehicle/sizes.ts';
import type { JobRecord } from './record.ts';
import type { JobView } from './view.ts';

export interface SagAnswer {
	suspects: SagSuspect[];
	warpMm: number;
	deviationMm: Record<(typeof corners)[number], number>;
	/** Sizes of the car that nobody has measured: the bands allow for them. */
	assumed: SizeName[];
}

const inputName = {
	wheelbaseMm: 'wheelbaseMm',
	'front.trackMm': 'trackFrontMm',
	'rear.trackMm': 'trackRearMm'
} as const satisfies Record<SizeName, keyof SagInput>;

/** How much the loss changes with one standard uncertainty of a size, mm. */
function lossChange(input: SagInput, { springs, lossMm }: SagSuspect, name: SizeName): number {
	const key = inputName[name];
	const other = sagDiagnosis({ ...input, [key]: input[key] + usualSizes[name].u });
	if (!other.ok) return 0;
	const same = other.value.suspects.find((one) => one.springs.join() === springs.join())!;
	return Math.abs(same.lossMm - lossMm);
}

/**
 * Undefined until all four heights are read and the maker's height of both axles is known in the same
 * school. Wheel rates are the car's own or its layout's; loads, bars and tyres those of a middling car.
 */
export function sagOf(record: JobRecord, view: JobView): SagAnswer | undefined {
	const { axles, wheelbaseMm } = record.vehicle;
	for (const { makerHeightMm, makerHeightSchool } of Object.values(axles)) {
		if (makerHeightMm === null || makerHeightSchool !== record.school) return undefined;
	}
	if (corners.some((corner) => !view.corners[corner].before)) return undefined;
	const deviationMm = perCorner(
		(corner) => view.corners[corner].before!.meanMm - axles[axleOf(corner)].makerHeightMm!
	);
	const input: SagInput = {
		...sampleCar,
		wheelbaseMm,
		trackFrontMm: axles.front.trackMm,
		trackRearMm: axles.rear.trackMm,
		wheelRatesNPerMm: perCorner((corner) => {
			const axle = axles[axleOf(corner)];
			return axle.wheelRateNPerMm ?? findLayout(axle.layout)!.assumed.wheelRateNPerMm;
		}),
		deviationMm,
		heightUncertaintyMm: Math.max(
			1,
			...corners.map((corner) => view.corners[corner].before!.standardUncertaintyMm)
		)
	};
	const found = sagDiagnosis(input);
	if (!found.ok) return undefined;
	const assumed = assumedSizes(record.vehicle);
	const suspects = found.value.suspects.map((suspect) => ({
		...suspect,
		lossExpandedMm: Math.hypot(
			suspect.lossExpandedMm,
			...assumed.map((name) => 2 * lossChange(input, suspect, name))
		)
	}));
	return { suspects, warpMm: found.value.warpMm, deviationMm, assumed };
}
