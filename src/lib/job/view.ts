/** What the core makes of a job's record: heights, targets, what is owed. Shared by pages and server. */
import { bushSetBand, heightToleranceMm, type BushSetBand } from '../../core/bush/band.ts';
import type { BushSetInput } from '../../core/bush/set.ts';
import type { TwistLimits } from '../../core/bush/verdict.ts';
import { compareHeights, type HeightComparison } from '../../core/height/compare.ts';
import {
	axleOf,
	perCorner,
	type Axle,
	type Corner,
	type PerCorner
} from '../../core/height/corners.ts';
import { measureHeight, type HeightMeasure } from '../../core/height/measure.ts';
import { toHubToArchMm } from '../../core/height/schools.ts';
import { findLayout } from '../../core/layout/catalogue.ts';
import type { Estimate } from '../../core/layout/types.ts';
import { effective } from '../../core/procedure/corrections.ts';
import type { JobFacts } from '../../core/procedure/facts.ts';
import { jobStanding, type JobStanding } from '../../core/procedure/owed.ts';
import { chooseTarget, type TargetChoice } from '../../core/procedure/target.ts';
import { faulty, type Result } from '../../core/result.ts';
import type { JobRecord, Phase, Reading, Torque, VehicleAxle } from './model.ts';

export interface CornerView {
	before?: HeightMeasure;
	after?: HeightMeasure;
	comparison?: HeightComparison;
	/** In the job's school. */
	target?: TargetChoice;
}

export interface JobView {
	standing: JobStanding;
	corners: PerCorner<CornerView>;
	/** Readings that count, oldest first. */
	readings: Record<Phase, PerCorner<Reading[]>>;
	/** The torque that counts for each joint, by joint id. */
	torques: Map<string, Torque>;
}

export function viewJob(record: JobRecord): JobView {
	const counted = effective(record.readings);
	const readingsOf = (phase: Phase) =>
		perCorner((corner) => counted.filter((r) => r.phase === phase && r.corner === corner));
	const readings = { before: readingsOf('before'), after: readingsOf('after') };
	const mm = (phase: Phase) => perCorner((c) => readings[phase][c].map((r) => r.heightMm!));
	const beforeMm = mm('before');
	const afterMm = mm('after');
	const resolution = (phase: Phase) => record.heightSets[phase]?.resolutionMm ?? 1;

	const corners = perCorner((corner): CornerView => {
		const before = measured(beforeMm[corner], resolution('before'));
		const after = measured(afterMm[corner], resolution('after'));
		const comparison =
			before && after && before.n > 1 && after.n > 1
				? compareHeights(
						beforeMm[corner],
						afterMm[corner],
						Math.max(resolution('before'), resolution('after'))
					)
				: undefined;
		return { before, after, comparison, target: targetOf(record, corner, before?.meanMm) };
	});

	const counting = effective(record.torques);
	const torques = new Map<string, Torque>();
	for (const torque of counting) torques.set(torque.jointId, torque);

	const facts: JobFacts = {
		corners: record.corners,
		beforeMm,
		afterMm,
		targetMm: perCorner((corner) => corners[corner].target?.heightMm),
		joints: record.joints.map((joint) => ({ ...joint, torqueNm: joint.torqueNm ?? undefined })),
		torques: counting.map((torque) => ({
			jointId: torque.jointId,
			torqueNm: torque.torqueNm ?? undefined,
			seen: torque.seen ?? undefined,
			carState: torque.carState,
			method: torque.method ?? undefined,
			verdict: torque.bush?.verdict,
			twistDeg: torque.bush?.twistDeg
		})),
		signed: record.signedAt !== null
	};
	return { standing: jobStanding(facts), corners, readings, torques };
}

function measured(readingsMm: number[], resolutionMm: number): HeightMeasure | undefined {
	return readingsMm.length ? measureHeight(readingsMm, resolutionMm) : undefined;
}

function targetOf(record: JobRecord, corner: Corner, beforeMm?: number): TargetChoice | undefined {
	const typed = record.targets.find((target) => target.corner === corner);
	if (typed) {
		return chooseTarget({
			typedMm: typed.heightMm,
			typedSource: typed.source,
			expandedMm: typed.prediction?.expandedMm
		});
	}
	const axle = record.vehicle.axles[axleOf(corner)];
	if (axle.makerHeightMm !== null && axle.makerHeightSchool === record.school) {
		return chooseTarget({ typedMm: axle.makerHeightMm, typedSource: 'maker' });
	}
	return chooseTarget({ beforeMm });
}

/** A height of the job's school as hub to arch, where the job says how. */
export function asHubToArch(
	record: JobRecord,
	corner: Corner,
	heightMm: number
): number | undefined {
	return toHubToArchMm(heightMm, record.school, record.offsets[axleOf(corner)]?.offsetMm);
}

/** A corner's arm as taped, or as the layout assumes it. */
export interface ArmGeometry {
	armLengthMm: Estimate;
	outerBelowInnerMm: Estimate;
	referenceHubToArchMm: number;
	wheelRateNPerMm: number;
	/** True when any part is the layout's assumption: the answer then carries a wide band. */
	assumed: boolean;
}

/** Standard uncertainty of a length taped under a car, mm. Own choice. */
const tapedMm = 3;
/** How well the height at the wheel is known while setting, and how well the target will be met, mm. Own choice. */
const settingMm = 1;
const standingMm = 2;

export function armGeometry(axle: VehicleAxle, targetHubToArchMm: number): ArmGeometry {
	const assumed = findLayout(axle.layout)!.assumed;
	const taped = axle.armLengthMm !== null && axle.outerBelowInnerMm !== null;
	return {
		armLengthMm:
			axle.armLengthMm === null ? assumed.armLengthMm : { value: axle.armLengthMm, u: tapedMm },
		outerBelowInnerMm:
			axle.outerBelowInnerMm === null
				? assumed.outerBelowInnerMm
				: { value: axle.outerBelowInnerMm, u: tapedMm },
		referenceHubToArchMm:
			axle.outerBelowInnerMm === null
				? targetHubToArchMm
				: (axle.referenceHubToArchMm ?? targetHubToArchMm),
		wheelRateNPerMm: axle.wheelRateNPerMm ?? assumed.wheelRateNPerMm,
		assumed: !taped
	};
}

/** What a bonded bush of this corner keeps if it is clamped at `setHubToArchMm`. */
export function judgeBush(
	record: JobRecord,
	corner: Corner,
	setHubToArchMm: number,
	limits: TwistLimits
): Result<BushSetBand & { targetHubToArchMm: number }> {
	const input = bushInput(record, corner, setHubToArchMm, limits);
	if (!input) {
		return faulty({
			field: 'hubToArch',
			message:
				'there is no target in hub to arch to judge this height by: choose a target, and for another school state its conversion'
		});
	}
	const { geometry } = input;
	const band = bushSetBand(input.bush, {
		armLengthMm: geometry.armLengthMm.u,
		outerBelowInnerMm: geometry.outerBelowInnerMm.u,
		setHubToArchMm: settingMm,
		rideHubToArchMm: input.standingMm,
		stiffnessRelative: findLayout(axleFor(record, corner).layout)!.assumed.stiffnessRelative
	});
	return band.ok
		? { ok: true, value: { ...band.value, targetHubToArchMm: input.bush.rideHubToArchMm } }
		: band;
}

/** Another height that could have been the target, and what a bush set at it would keep. */
export interface TargetAlternative extends TargetChoice {
	/** Absent where there is no arm or no conversion to judge by. */
	judged?: BushSetBand;
}

/**
 * The heights a corner was not set against: the maker's, the one before. Each with the twist a bush
 * would keep if it was set there, while the car will stand at the target.
 */
export function targetAlternatives(
	record: JobRecord,
	corner: Corner,
	limits: TwistLimits
): TargetAlternative[] {
	const target = viewTarget(record, corner);
	const axle = axleFor(record, corner);
	const beforeMm = beforeMean(record, corner);
	const others = [
		axle.makerHeightMm !== null && axle.makerHeightSchool === record.school
			? chooseTarget({ typedMm: axle.makerHeightMm, typedSource: 'maker' })
			: undefined,
		chooseTarget({ beforeMm })
	];
	return others
		.filter((other) => other !== undefined && other.source !== target?.source)
		.map((other): TargetAlternative => {
			const hubToArchMm = asHubToArch(record, corner, other!.heightMm);
			const judged =
				hubToArchMm === undefined ? undefined : judgeBush(record, corner, hubToArchMm, limits);
			return { ...other!, ...(judged?.ok && { judged: judged.value }) };
		});
}

/** How far from the target the wheel may stand while its bushes are set, mm; undefined without a target. */
export function settingToleranceMm(
	record: JobRecord,
	corner: Corner,
	limits: TwistLimits
): number | undefined {
	const input = bushInput(record, corner, 0, limits);
	return input && heightToleranceMm(input.bush, limits.setDeg);
}

function axleFor(record: JobRecord, corner: Corner): VehicleAxle {
	const axle: Axle = axleOf(corner);
	return record.vehicle.axles[axle];
}

function bushInput(
	record: JobRecord,
	corner: Corner,
	setHubToArchMm: number,
	limits: TwistLimits
): { bush: BushSetInput; geometry: ArmGeometry; standingMm: number } | undefined {
	const target = viewTarget(record, corner);
	const rideHubToArchMm = target && asHubToArch(record, corner, target.heightMm);
	if (rideHubToArchMm === undefined) return undefined;
	const axle = axleFor(record, corner);
	const assumed = findLayout(axle.layout)!.assumed;
	const geometry = armGeometry(axle, rideHubToArchMm);
	return {
		geometry,
		// A predicted height is as sure as its band says.
		standingMm: target!.expandedMm === undefined ? standingMm : target!.expandedMm / 2,
		bush: {
			armLengthMm: geometry.armLengthMm.value,
			outerBelowInnerMm: geometry.outerBelowInnerMm.value,
			referenceHubToArchMm: geometry.referenceHubToArchMm,
			setHubToArchMm,
			rideHubToArchMm,
			jointPerWheel: assumed.jointPerWheel,
			bush: assumed.bush,
			bushCount: assumed.bushCount,
			wheelRateNPerMm: geometry.wheelRateNPerMm,
			limits
		}
	};
}

function viewTarget(record: JobRecord, corner: Corner): TargetChoice | undefined {
	return targetOf(record, corner, beforeMean(record, corner));
}

function beforeMean(record: JobRecord, corner: Corner): number | undefined {
	const values = effective(record.readings)
		.filter((reading) => reading.phase === 'before' && reading.corner === corner)
		.map((reading) => reading.heightMm!);
	return measured(values, record.heightSets.before?.resolutionMm ?? 1)?.meanMm;
}
