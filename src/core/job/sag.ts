/** Which spring has sagged, from a job's heights before and what the maker specifies. */
import { sagDiagnosis, type SagSuspect } from '../car/sag.ts';
import { sampleCar } from '../car/sample.ts';
import { axleOf, corners, perCorner } from '../height/corners.ts';
import { findLayout } from '../layout/catalogue.ts';
import type { JobRecord } from './record.ts';
import type { JobView } from './view.ts';

export interface SagAnswer {
	suspects: SagSuspect[];
	warpMm: number;
	deviationMm: Record<(typeof corners)[number], number>;
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
	const found = sagDiagnosis({
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
	});
	return found.ok ? { ...found.value, deviationMm } : undefined;
}
