/** What the core makes of a job's record: heights, targets, what is owed. Shared by pages and server. */
import { bushSetBand, heightToleranceMm, type BushSetBand } from '../bush/band.ts';
import { bushTurned, type BushSetInput, type BushSetResult } from '../bush/set.ts';
import { twistVerdict, type TwistLimits } from '../bush/verdict.ts';
import { hardwareOpen } from '../fastener/hardware.ts';
import { compareHeights, type HeightComparison } from '../height/compare.ts';
import {
	axleOf,
	corners as allCorners,
	perCorner,
	type Axle,
	type Corner,
	type PerCorner
} from '../height/corners.ts';
import { measureHeight, type HeightMeasure } from '../height/measure.ts';
import { toHubToArchMm } from '../height/schools.ts';
import { findLayout } from '../layout/catalogue.ts';
import type { JointPlace } from '../layout/types.ts';
import { effective } from '../procedure/corrections.ts';
import type { JobFacts } from '../procedure/facts.ts';
import { loadingStanding, type LoadingStanding } from '../procedure/loading.ts';
import { jobStanding, type JobStanding } from '../procedure/owed.ts';
import { chooseTarget, type SpringDoubt, type TargetChoice } from '../procedure/target.ts';
import { faulty, ok, type Result } from '../result.ts';
import { armGeometry, isUpper, type ArmGeometry } from './arm.ts';
import { measuredTurn, weighTurn, type ArmEvidence } from './arm-angles.ts';
import { armTurn, cornerMechanism } from './corner.ts';
import { atWork } from './joints.ts';
import type { Phase, Reading, Torque, VehicleAxle } from './model.ts';
import type { JobRecord } from './record.ts';
import { stepsLeft } from './scope.ts';
import { springFinding } from './findings.ts';
import { WorkBook } from './work-book.ts';
import { workOwed } from './work-owed.ts';

interface CornerView {
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
	/** The torque that counts last for each joint, by joint id. */
	torques: Map<string, Torque>;
	/** What decides what is owed. */
	facts: JobFacts;
}

export function viewJob(record: JobRecord): JobView {
	const counted = effective(record.readings);
	const readingsOf = (phase: Phase) =>
		perCorner((corner) => counted.filter((r) => r.phase === phase && r.corner === corner));
	const readings = { before: readingsOf('before'), after: readingsOf('after') };
	const mm = (phase: Phase) => perCorner((c) => readings[phase][c].map((r) => r.heightMm!));
	const standings = (phase: Phase) =>
		perCorner((c) => readings[phase][c].map(({ standing = 1 }) => standing));
	const [standingsBefore, standingsAfter] = [standings('before'), standings('after')];
	const beforeMm = mm('before');
	const afterMm = mm('after');
	const resolution = (phase: Phase) => record.heightSets[phase]?.resolutionMm ?? 1;

	const corners = perCorner((corner): CornerView => {
		const before = measured(beforeMm[corner], resolution('before'), standingsBefore[corner]);
		const after = measured(afterMm[corner], resolution('after'), standingsAfter[corner]);
		const comparison =
			before && after && before.n > 1 && after.n > 1
				? compareHeights(
						{ readingsMm: beforeMm[corner], standings: standingsBefore[corner] },
						{ readingsMm: afterMm[corner], standings: standingsAfter[corner] },
						Math.max(resolution('before'), resolution('after'))
					)
				: undefined;
		return { before, after, comparison, target: targetOf(record, corner, before?.meanMm) };
	});

	const counting = effective(record.torques);
	const torques = new Map<string, Torque>();
	for (const torque of counting) {
		// What only checked a bush leaves it as it was clamped.
		if (torque.skipReason !== null || torque.loosenedFirst === false) continue;
		torques.set(torque.jointId, torque);
	}
	const standMm = (corner: Corner) => {
		const { after, target } = corners[corner];
		return (after && after.n > 1 ? after.meanMm : undefined) ?? target?.heightMm;
	};

	const facts: JobFacts = {
		corners: record.corners,
		beforeMm,
		afterMm,
		targetMm: perCorner((corner) => corners[corner].target?.heightMm),
		springDoubt: perCorner((corner) => springDoubt(record, corner)),
		standHubToArchMm: perCorner((corner) => {
			const heightMm = standMm(corner);
			return heightMm === undefined ? undefined : asHubToArch(record, corner, heightMm);
		}),
		changeMm: perCorner((corner) => {
			const [stand, before] = [standMm(corner), corners[corner].before?.meanMm];
			return stand === undefined || before === undefined ? undefined : stand - before;
		}),
		resetAboveMm: record.resetAboveMm,
		joints: record.joints.map((joint) => ({
			...joint,
			torqueNm: atWork(joint).torqueNm ?? undefined,
			hardwareOpen: hardwareOpen(
				{ ...joint, loosened: joint.loosened || torques.has(joint.id) },
				record.hardware[joint.id]
			)
		})),
		torques: counting.map((torque) => ({
			jointId: torque.jointId,
			action: torque.action,
			torqueNm: torque.torqueNm ?? undefined,
			angleDeg: torque.angleDeg ?? undefined,
			seen: torque.seen ?? undefined,
			skipReason: torque.skipReason ?? undefined,
			targetHubToArchMm: torque.targetHubToArchMm ?? undefined,
			carState: torque.carState,
			method: torque.method ?? undefined,
			verdict: torque.bush?.verdict,
			twistDeg: torque.bush?.twistDeg,
			loosenedFirst: torque.loosenedFirst ?? undefined,
			accepted: record.accepted[torque.jointId]?.torqueId === torque.id
		})),
		work: workOwed(record),
		stepsLeft: stepsLeft(record),
		signed: record.signedAt !== null
	};
	return { standing: jobStanding(facts), corners, readings, torques, facts };
}

function measured(
	readingsMm: number[],
	resolutionMm: number,
	standings?: number[]
): HeightMeasure | undefined {
	return readingsMm.length
		? measureHeight(readingsMm, resolutionMm, undefined, standings)
		: undefined;
}

function targetOf(record: JobRecord, corner: Corner, beforeMm?: number): TargetChoice | undefined {
	const doubt = springDoubt(record, corner);
	const typed = record.targets.find((target) => target.corner === corner);
	if (typed) {
		return chooseTarget({
			typedMm: typed.heightMm,
			typedSource: typed.source,
			expandedMm: typed.prediction?.expandedMm,
			doubt
		});
	}
	const axle = record.vehicle.axles[axleOf(corner)];
	if (axle.makerHeightMm !== null && axle.makerHeightSchool === record.school) {
		return chooseTarget({ typedMm: axle.makerHeightMm, typedSource: 'maker', doubt });
	}
	const other = otherSide(corner);
	const sound = !springFinding(new WorkBook(record.entries), other);
	return chooseTarget({
		beforeMm,
		doubt,
		// A spring that is renewed for another height says nothing of it, on neither side.
		...(sound && doubt !== 'renewed' && { otherSideMm: beforeMean(record, other) })
	});
}

const otherSide = (corner: Corner): Corner =>
	allCorners.find((one) => one !== corner && axleOf(one) === axleOf(corner))!;

/** Why the height before is no target at this corner: its spring was found finished, or goes. */
export function springDoubt(record: JobRecord, corner: Corner): SpringDoubt | undefined {
	const book = new WorkBook(record.entries);
	const found = springFinding(book, corner)?.state as SpringDoubt | undefined;
	const worked = record.corners.includes(corner);
	const renewed = worked && book.get('scope', axleOf(corner))?.spring;
	return found ?? (renewed ? 'renewed' : undefined);
}

/** A height of the job's school as hub to arch, where the job says how. */
export function asHubToArch(
	record: JobRecord,
	corner: Corner,
	heightMm: number
): number | undefined {
	return toHubToArchMm(heightMm, record.school, record.offsets[axleOf(corner)]?.offsetMm);
}

/** How well the height at the wheel is known while setting, and how well the target will be met, mm. Own choice. */
const settingMm = 1;
const standingMm = 2;

/** What a bonded bush of this corner keeps if it is clamped at `setHubToArchMm`. */
export function judgeBush(
	record: JobRecord,
	corner: Corner,
	setHubToArchMm: number,
	limits: TwistLimits,
	place?: JointPlace | null
): Result<BushSetBand & { targetHubToArchMm: number }> {
	const input = bushInput(record, corner, setHubToArchMm, limits, place);
	if (!input) {
		return faulty({
			field: 'hubToArch',
			message:
				'there is no target in hub to arch to judge this height by: choose a target, and for another school state its conversion'
		});
	}
	const { geometry } = input;
	const evidence = armEvidence(record, corner, place, input);
	const { armLengthMm, outerBelowInnerMm } = evidence?.left ?? {
		armLengthMm: geometry.armLengthMm.u,
		outerBelowInnerMm: geometry.outerBelowInnerMm.u
	};
	const band = bushSetBand(input.bush, {
		armLengthMm,
		outerBelowInnerMm,
		setHubToArchMm: settingMm,
		rideHubToArchMm: input.standingMm,
		stiffnessRelative: findLayout(axleFor(record, corner).layout)!.assumed.stiffnessRelative
	});
	if (!band.ok) return band;
	const { rideHubToArchMm } = input.bush;
	const kept = turned(axleFor(record, corner), place, input.bush, evidence?.scale) ?? band.value;
	const worst = Math.abs(kept.twistDeg) + band.value.twistExpandedDeg;
	return ok({
		...band.value,
		...kept,
		worstVerdict: twistVerdict(worst, limits),
		targetHubToArchMm: rideHubToArchMm
	});
}

/**
 * The same from the mechanism of this corner, which also draws it: what is said and what is drawn are one
 * model. Undefined where the mechanism does not go so far; the tape's own triangle then answers.
 */
function turned(
	axle: VehicleAxle,
	place: JointPlace | null | undefined,
	input: BushSetInput,
	scale = 1
): BushSetResult | undefined {
	const mechanism = cornerMechanism(axle, input.rideHubToArchMm);
	const turn =
		mechanism.ok &&
		armTurn(
			mechanism.value,
			isUpper(place) ? 'upper' : 'lower',
			input.setHubToArchMm,
			input.rideHubToArchMm
		);
	const kept =
		turn &&
		bushTurned(input, { twistRad: scale * turn.twistRad, anglePerMm: scale * turn.anglePerMm });
	return kept && kept.ok ? kept.value : undefined;
}

/** What the angles of the arm say, where two were read: by how much the tape's turn is off, and what is left open. */
function armEvidence(
	record: JobRecord,
	corner: Corner,
	place: JointPlace | null | undefined,
	{ geometry, bush }: BushInput
): (ArmEvidence & { left: { armLengthMm: number; outerBelowInnerMm: number } }) | undefined {
	const which = isUpper(place) ? 'upper' : 'lower';
	const measured = measuredTurn(record, corner, which);
	const mechanism = measured && cornerMechanism(axleFor(record, corner), bush.rideHubToArchMm);
	const taped =
		mechanism?.ok && armTurn(mechanism.value, which, measured!.toMm, measured!.fromMm)?.twistRad;
	if (!measured || !taped) return undefined;
	// dφ/dh = 1/√(L² − b²): what the tape leaves open of it, of itself.
	const { value: length, u: lengthU } = geometry.armLengthMm;
	const { value: below, u: belowU } = geometry.outerBelowInnerMm;
	const reach2 = length ** 2 - below ** 2;
	const tapedU = Math.hypot(length * lengthU, below * belowU) / reach2;
	const evidence = weighTurn(measured, (taped * 180) / Math.PI, tapedU);
	const left = evidence.disagrees
		? { armLengthMm: lengthU, outerBelowInnerMm: belowU }
		: { armLengthMm: (evidence.relativeU * reach2) / length, outerBelowInnerMm: 0 };
	return { ...evidence, left };
}

/** What the angles of an arm and its tape say together; undefined without two angles, or a target to judge by. */
export function armWeighed(
	record: JobRecord,
	corner: Corner,
	place: JointPlace | null | undefined,
	limits: TwistLimits
): ArmEvidence | undefined {
	const input = bushInput(record, corner, 0, limits, place);
	return input && armEvidence(record, corner, place, input);
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
		springDoubt(record, corner) ? undefined : chooseTarget({ beforeMm })
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

/**
 * How far from the target the wheel may stand while its bushes are set, mm: the least that any rubber of
 * the corner allows. Undefined without a target.
 */
export function settingToleranceMm(
	record: JobRecord,
	corner: Corner,
	limits: TwistLimits
): number | undefined {
	const rubber = record.joints.filter(
		(joint) => joint.corner === corner && joint.kind === 'bonded-bush'
	);
	const places = new Set([
		undefined,
		...rubber.filter(({ place }) => isUpper(place)).map(({ place }) => place)
	]);
	const tolerances = [...places].flatMap((place) => {
		const input = bushInput(record, corner, 0, limits, place);
		if (!input) return [];
		const { rideHubToArchMm } = input.bush;
		const mechanism = cornerMechanism(axleFor(record, corner), rideHubToArchMm);
		const which = isUpper(place) ? 'upper' : 'lower';
		const turn = mechanism.ok && armTurn(mechanism.value, which, rideHubToArchMm, rideHubToArchMm);
		return turn
			? [(limits.setDeg * Math.PI) / 180 / Math.abs(turn.anglePerMm)]
			: [heightToleranceMm(input.bush, limits.setDeg)];
	});
	return tolerances.length ? Math.min(...tolerances) : undefined;
}

/** What the looks at a loaded corner say; undefined without a target to hold them against. */
export function loadedStanding(
	record: JobRecord,
	corner: Corner,
	limits: TwistLimits
): (LoadingStanding & { targetMm: number; toleranceMm: number }) | undefined {
	const target = viewTarget(record, corner);
	const targetMm = target && asHubToArch(record, corner, target.heightMm);
	const toleranceMm = settingToleranceMm(record, corner, limits);
	if (targetMm === undefined || toleranceMm === undefined) return undefined;
	const looks = record.loadings
		.filter((look) => look.corner === corner)
		.map((look) => ({
			method: look.method,
			hubToArchMm: look.hubToArchMm,
			oppositeBeforeMm: look.oppositeBeforeMm ?? undefined,
			oppositeNowMm: look.oppositeNowMm ?? undefined
		}));
	return { ...loadingStanding(looks, targetMm, toleranceMm), targetMm, toleranceMm };
}

function axleFor(record: JobRecord, corner: Corner): VehicleAxle {
	const axle: Axle = axleOf(corner);
	return record.vehicle.axles[axle];
}

interface BushInput {
	bush: BushSetInput;
	geometry: ArmGeometry;
	standingMm: number;
}

function bushInput(
	record: JobRecord,
	corner: Corner,
	setHubToArchMm: number,
	limits: TwistLimits,
	place?: JointPlace | null
): BushInput | undefined {
	const target = viewTarget(record, corner);
	const rideHubToArchMm = target && asHubToArch(record, corner, target.heightMm);
	if (rideHubToArchMm === undefined) return undefined;
	const axle = axleFor(record, corner);
	const assumed = findLayout(axle.layout)!.assumed;
	const geometry = armGeometry(axle, rideHubToArchMm, place);
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
