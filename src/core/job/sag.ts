/** Which spring has sagged, from a job's heights before, what the maker specifies, and springs measured free. */
import { dimensionsOf } from '../bench/compare.ts';
import {
	otherCauseWords,
	sagDiagnosis,
	type OtherCause,
	type SagDiagnosis,
	type SagInput,
	type SagSuspect
} from '../car/sag.ts';
import type { SagFinding } from '../inspect/recommend.ts';
import { cornerSweep } from '../mechanism/sweep.ts';
import { cornerMechanism } from './corner.ts';
import type { VehicleAxle } from './model.ts';
import { sampleCar } from '../car/sample.ts';
import { axleOf, corners, perCorner, type Corner, type PerCorner } from '../height/corners.ts';
import { springFinding } from './findings.ts';
import { findLayout } from '../layout/registry.ts';
import { assumedSizes, usualSizes, type SizeName } from '../vehicle/sizes.ts';
import type { JobRecord } from './record.ts';
import type { JobView } from './view.ts';
import type { WorkBook } from './work-book.ts';

export interface SagAnswer extends SagDiagnosis {
	deviationMm: Record<(typeof corners)[number], number>;
	/** Sizes of the car that nobody has measured: the bands allow for them. */
	assumed: SizeName[];
	/** Springs that were measured free. */
	measured: Corner[];
}

const inputName = {
	wheelbaseMm: 'wheelbaseMm',
	'front.trackMm': 'trackFrontMm',
	'rear.trackMm': 'trackRearMm'
} as const satisfies Record<SizeName, keyof SagInput>;

/** Motion ratio of an axle's spring where it stands; of a middling car where its mechanism has none. */
function springRatio(axle: VehicleAxle, hubToArchMm: number, otherwise: number): number {
	const mechanism = cornerMechanism(axle, hubToArchMm);
	if (!mechanism.ok) return otherwise;
	const { geometry, referenceHubToArchMm } = mechanism.value;
	const swept = cornerSweep(geometry, [referenceHubToArchMm - hubToArchMm]);
	const ratio = swept.ok ? swept.value.rows[0]?.springMotionRatio : undefined;
	return ratio !== undefined && ratio > 0.1 && ratio < 1.5 ? ratio : otherwise;
}

/** How much the loss changes with one standard uncertainty of a size, mm. */
function lossChange(input: SagInput, { springs, lossMm }: SagSuspect, name: SizeName): number {
	const key = inputName[name];
	const other = sagDiagnosis({ ...input, [key]: input[key] + usualSizes[name].u });
	if (!other.ok) return 0;
	const same = other.value.suspects.find((one) => one.springs.join() === springs.join())!;
	return Math.abs(same.lossMm - lossMm);
}

/**
 * By how much each old spring measured at the bench is shorter than the new one beside it. Only of one kind: wire and
 * coils, which say the rate, must have been measured as the same; another spring's length tells nothing of this one's
 * loss, and a broken one's neither.
 */
function shorterSprings(book: WorkBook): Partial<PerCorner<number>> {
	const alike = dimensionsOf.spring.filter(({ key }) => key === 'wireMm' || key === 'coils');
	return Object.fromEntries(
		corners.flatMap((corner) => {
			const { old, new: fresh } = book.get('comparison', `${corner}/spring`) ?? {};
			const [was, is] = [old?.values.freeLengthMm, fresh?.values.freeLengthMm];
			if (was === undefined || is === undefined) return [];
			if (springFinding(book, corner)?.state === 'broken') return [];
			const same = alike.every(
				({ key, tolerance }) => Math.abs(old!.values[key]! - fresh!.values[key]!) <= tolerance
			);
			return same ? [[corner, is - was]] : [];
		})
	);
}

/**
 * Undefined until all four heights are read and the maker's height of both axles is known in the same
 * school. Wheel rates are the car's own or its layout's, motion ratios those of its mechanism; bars and tyres those
 * of a middling car.
 */
export function sagOf(record: JobRecord, book: WorkBook, view: JobView): SagAnswer | undefined {
	const { axles, wheelbaseMm } = record.vehicle;
	for (const { makerHeightMm, makerHeightSchool } of Object.values(axles)) {
		if (makerHeightMm === null || makerHeightSchool !== record.school) return undefined;
	}
	if (corners.some((corner) => !view.corners[corner].before)) return undefined;
	const deviationMm = perCorner(
		(corner) => view.corners[corner].before!.meanMm - axles[axleOf(corner)].makerHeightMm!
	);
	const standsMm = (left: 'FL' | 'RL', right: 'FR' | 'RR') =>
		record.school === 'hub-to-arch'
			? (view.corners[left].before!.meanMm + view.corners[right].before!.meanMm) / 2
			: 365;
	const ratios = {
		front: springRatio(axles.front, standsMm('FL', 'FR'), sampleCar.motionRatio.FL),
		rear: springRatio(axles.rear, standsMm('RL', 'RR'), sampleCar.motionRatio.RL)
	};
	const shorterMm = shorterSprings(book);
	const input: SagInput = {
		...sampleCar,
		shorterMm,
		wheelbaseMm,
		trackFrontMm: axles.front.trackMm,
		trackRearMm: axles.rear.trackMm,
		wheelRatesNPerMm: perCorner((corner) => {
			const axle = axles[axleOf(corner)];
			return axle.wheelRateNPerMm ?? findLayout(axle.layout)!.assumed.wheelRateNPerMm;
		}),
		motionRatio: perCorner((corner) => ratios[axleOf(corner)]),
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
	const measured = corners.filter((corner) => shorterMm[corner] !== undefined);
	return { ...found.value, suspects, deviationMm, assumed, measured };
}

/** What of it goes into the advice. */
export function sagFinding({ verdict, suspects, cannotSeparate }: SagAnswer): SagFinding {
	const likeliest = suspects.reduce((a, b) => (b.likelihood > a.likelihood ? b : a));
	return {
		corners: likeliest.springs,
		lossMm: likeliest.lossMm,
		lossExpandedMm: likeliest.lossExpandedMm,
		sure: verdict === 'sagged',
		cannotSeparate: cannotSeparate.map((name) =>
			name in otherCauseWords ? otherCauseWords[name as OtherCause] : name.replaceAll('+', ' and ')
		)
	};
}
