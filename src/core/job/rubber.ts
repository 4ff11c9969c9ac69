/** What the rubber of a corner keeps of the height it is set at: each by the two parts it lies between. */
import type { BushSetBand } from '../bush/band.ts';
import { bushTurned, type BushSetInput } from '../bush/set.ts';
import { twistVerdict, type TwistLimits } from '../bush/verdict.ts';
import { axleOf, type Corner } from '../height/corners.ts';
import { findLayout } from '../layout/registry.ts';
import { rubberSizes } from '../layout/rubber-sizes.ts';
import type { Estimate, RubberBody } from '../layout/types.ts';
import { faulty, ok, type Result } from '../result.ts';
import { armGeometry, type ArmGeometry } from './arm.ts';
import { measuredTurn, weighTurn, type ArmEvidence, type WhichArm } from './arm-angles.ts';
import { armTurn, cornerMechanism, type CornerMechanism } from './corner.ts';
import { asHubToArch, cornerTarget, otherSide } from './corner-target.ts';
import type { Entry } from './book/entry.ts';
import type { Torque, VehicleAxle } from './model.ts';
import type { JobRecord } from './record.ts';
import {
	armOfRubber,
	around,
	isArm,
	rubberOf,
	stepMm,
	turns,
	type RubberBetween,
	type RubberJoint,
	type Wheels
} from './rubber-turns.ts';

/** What a bush would keep, with what it does to the height of its corner. */
export interface JudgedBush extends BushSetBand {
	/** Hub to arch at which the corner will stand, mm. */
	targetHubToArchMm: number;
	/** The height of the other wheel counts and was not read: the band holds what that leaves open. */
	otherUnread: boolean;
}

/** How well the height at the wheel is known while setting, and how well the target will be met, mm. Own choice. */
const settingMm = 1;
const standingMm = 2;
/** How far from its target the other wheel of an axle may be where nobody read it, mm. Own choice. */
const otherUnreadMm = 30;
/** Standard uncertainty of the turn of a damper or a plain link, of itself. Own choice. */
const turnU = { hardpoints: 0.03, taped: 0.08, assumed: 0.25 };
/**
 * The same of how far a knuckle leans or an axle pitches, which is the difference of two arms, of the turn of
 * the lower one. Own choice: so that bands hold over corners of one layout as they differ (`coverageOfRubber`).
 */
const leanU = { hardpoints: 0.01, knuckle: 0.15, axle: 0.38 };
/**
 * How far a corner rises for what its own spring alone would lift it by: the body hangs on the other springs
 * and the bars too. Of four springs on four tyres (`car/four-corner.ts`) 0.66 to 0.70 for every layout here,
 * which is far less than what is left open of the rubber.
 */
export const liftedShare = 0.68;
const rad = Math.PI / 180;

interface Judging {
	corner: Corner;
	axle: VehicleAxle;
	/** Faults where what was taped makes none. */
	mechanism: Result<CornerMechanism>;
	limits: TwistLimits;
	/** Hub to arch at which the corner will stand, and its other wheel, mm. */
	rideMm: number;
	otherRideMm: number;
	/** Standard uncertainty of how well it will stand there, mm. */
	standingU: number;
}

function judging(record: JobRecord, corner: Corner, limits: TwistLimits): Judging | undefined {
	const rideOf = (one: Corner) => {
		const target = cornerTarget(record, one);
		return target && asHubToArch(record, one, target.heightMm);
	};
	const rideMm = rideOf(corner);
	if (rideMm === undefined) return undefined;
	const axle = record.vehicle.axles[axleOf(corner)];
	const { expandedMm } = cornerTarget(record, corner)!;
	return {
		corner,
		axle,
		mechanism: cornerMechanism(axle, rideMm),
		limits,
		rideMm,
		otherRideMm: rideOf(otherSide(corner)) ?? rideMm,
		// A predicted height is as sure as its band says.
		standingU: expandedMm === undefined ? standingMm : expandedMm / 2
	};
}

/** Hub to arch of the other wheel of the axle as it was last read while loaded, mm; undefined where it hangs. */
function otherReadMm({ loadings, entries }: JobRecord, corner: Corner): number | undefined {
	const other = otherSide(corner);
	const look = loadings.findLast((one) => one.corner === other);
	const hangs = entries.findLast(
		(entry): entry is Entry<'hangs'> => entry.kind === 'hangs' && entry.subject === other
	);
	return look && hangs?.data.loadingId !== look.id ? look.hubToArchMm : undefined;
}

/**
 * What a bonded bush keeps if it is clamped while hub to arch is so much: the turn of one part it lies
 * between against the other, from there to where the corner will stand, + = wound so that it holds the car
 * up; its band from tape or layout, from both heights and, on an axle that is one body, from the other
 * wheel; and by how much it alone lifts its corner, shared by body and bars.
 *
 * @param joint absent: rubber between body and lower arm
 */
export function judgeBush(
	record: JobRecord,
	corner: Corner,
	setHubToArchMm: number,
	limits: TwistLimits,
	joint?: RubberJoint | null
): Result<JudgedBush> {
	const to = judging(record, corner, limits);
	if (!to) {
		return faulty({
			field: 'hubToArch',
			message:
				'there is no target in hub to arch to judge this height by: choose a target, and for another school state its conversion'
		});
	}
	return judge(record, to, setHubToArchMm, joint ?? { key: null, place: null });
}

function judge(
	record: JobRecord,
	to: Judging,
	setMm: number,
	joint: RubberJoint
): Result<JudgedBush> {
	const { axle, rideMm, otherRideMm, standingU, corner } = to;
	if (!to.mechanism.ok) return to.mechanism;
	const mechanism = to.mechanism.value;
	const rubber = rubberOf(axle.layout, joint);
	const { between } = rubber;
	const geometry = armGeometry(axle, rideMm, joint.place);
	const input = bushInput(to, geometry, rubber, setMm);
	const sharesAxle = (rubber.otherShare ?? 0) > 0 || between.includes('axle');
	const otherMm = sharesAxle ? otherReadMm(record, corner) : undefined;
	const at = (ownMm: number, otherMm: number): Wheels => ({
		ownMm: mechanism.referenceHubToArchMm - ownMm,
		otherMm: mechanism.referenceHubToArchMm - otherMm
	});
	const moved = turns(rubber, mechanism, axle.trackMm, [
		at(rideMm, otherRideMm),
		at(setMm, otherMm ?? otherRideMm),
		...around(at(rideMm, otherRideMm))
	]);
	if (!moved.ok)
		return faulty(...moved.faults.map((fault) => ({ ...fault, field: 'hubToArch', value: setMm })));
	const found = moved.value;

	const evidence = armEvidence(record, to, geometry, armOfRubber(rubber));
	const scale = between.map((body) => (isArm(body) ? (evidence?.scale ?? 1) : 1));
	const [atRide, atSet, ownLess, ownMore, otherLess, otherMore] = found.map(
		([a, b]) => scale[1]! * b - scale[0]! * a
	) as [number, number, number, number, number, number];
	const anglePerMm = (ownMore - ownLess) / (2 * stepMm);
	const perOtherMm = (otherMore - otherLess) / (2 * stepMm);
	// Counted so that + holds the car up, whichever of the two parts is named first.
	const way = Math.sign(anglePerMm) || 1;
	const kept = bushTurned(input, {
		twistRad: way * (atRide - atSet),
		anglePerMm: way * anglePerMm
	});
	const ofOneDeg = bushTurned(input, { twistRad: rad, anglePerMm: way * anglePerMm });
	if (!kept.ok) return kept;
	if (!ofOneDeg.ok) return ofOneDeg;
	const turned = [0, 1, 2].map((i) => (scale[i] ?? 1) * (found[0]![i]! - found[1]![i]!));
	const armRelativeU =
		evidence?.relativeU ?? armU(geometry.armLengthMm, geometry.outerBelowInnerMm);
	const twistU = Math.hypot(
		...between.map((body, i) =>
			partU(to, rubber, body, { turn: turned[i]!, armTurn: turned[2]!, armRelativeU })
		),
		anglePerMm * Math.hypot(settingMm, standingU),
		perOtherMm * Math.hypot(otherMm === undefined ? otherUnreadMm : settingMm, standingMm)
	);
	const heightErrorMm = liftedShare * kept.value.heightErrorMm;
	const twistExpandedDeg = (2 * twistU) / rad;
	const { stiffnessRelative } = findLayout(axle.layout)!.assumed;
	return ok({
		...kept.value,
		heightErrorMm,
		twistExpandedDeg,
		heightErrorExpandedMm: Math.hypot(
			liftedShare * ofOneDeg.value.heightErrorMm * twistExpandedDeg,
			2 * heightErrorMm * stiffnessRelative
		),
		worstVerdict: twistVerdict(Math.abs(kept.value.twistDeg) + twistExpandedDeg, to.limits),
		targetHubToArchMm: rideMm,
		otherUnread: perOtherMm !== 0 && otherMm === undefined
	});
}

/** Standard uncertainty of how far a part turned, rad. */
function partU(
	{ axle, mechanism }: Judging,
	{ between, bolt }: RubberBetween,
	body: RubberBody,
	{ turn, armTurn, armRelativeU }: { turn: number; armTurn: number; armRelativeU: number }
): number {
	const known = axle.hardpoints !== null;
	/** Without upper links an axle is one piece with the arms it is bolted to. */
	const onePiece =
		between.includes('axle') && mechanism.ok && !('upperInner' in mechanism.value.geometry.points);
	switch (body) {
		case 'body':
			return 0;
		case 'lower-arm':
		case 'upper-arm':
		case 'arm':
			return onePiece ? 0 : turn * armRelativeU;
		case 'axle':
			// How far it leans is told by the two heights alone.
			if (bolt === 'along') return 0;
			if (onePiece) return between.some(isArm) ? 0 : turn * armRelativeU;
			return armTurn * (known ? leanU.hardpoints : leanU.axle);
		case 'knuckle':
			return armTurn * (known ? leanU.hardpoints : leanU.knuckle);
		case 'damper':
			if (known) return turn * turnU.hardpoints;
			return turn * (axle.tape?.damperLengthMm === undefined ? turnU.assumed : turnU.taped);
		default:
			return turn * turnU.assumed;
	}
}

/** dφ/dh = 1/√(L² − b²): what the tape leaves open of an arm's turn, of itself. */
const armU = (length: Estimate, below: Estimate): number =>
	Math.hypot(length.value * length.u, below.value * below.u) /
	(length.value ** 2 - below.value ** 2);

function bushInput(
	{ axle, rideMm, limits }: Judging,
	geometry: ArmGeometry,
	{ size }: RubberBetween,
	setHubToArchMm: number
): BushSetInput {
	const { assumed } = findLayout(axle.layout)!;
	return {
		armLengthMm: geometry.armLengthMm.value,
		outerBelowInnerMm: geometry.outerBelowInnerMm.value,
		referenceHubToArchMm: geometry.referenceHubToArchMm,
		setHubToArchMm,
		rideHubToArchMm: rideMm,
		jointPerWheel: assumed.jointPerWheel,
		bush: size ? rubberSizes[size] : assumed.bush,
		bushCount: 1,
		wheelRateNPerMm: geometry.wheelRateNPerMm,
		limits
	};
}

/** What the angles of the arm say, where two were read: by how much the tape's turn is off, and what is left open. */
function armEvidence(
	record: JobRecord,
	{ corner, mechanism }: Judging,
	{ armLengthMm, outerBelowInnerMm }: ArmGeometry,
	which: WhichArm | undefined
): ArmEvidence | undefined {
	const measured = which && measuredTurn(record, corner, which);
	const taped =
		measured &&
		mechanism.ok &&
		armTurn(mechanism.value, which, measured.toMm, measured.fromMm)?.twistRad;
	return taped
		? weighTurn(measured!, taped / rad, armU(armLengthMm, outerBelowInnerMm))
		: undefined;
}

/** What the angles of an arm and its tape say together; undefined without two angles, or a target to judge by. */
export function armWeighed(
	record: JobRecord,
	corner: Corner,
	which: WhichArm,
	limits: TwistLimits
): ArmEvidence | undefined {
	const to = judging(record, corner, limits);
	const place = which === 'upper' ? 'upper-pivot' : 'lower-pivot';
	return to && armEvidence(record, to, armGeometry(to.axle, to.rideMm, place), which);
}

/** Bonded joints of a corner. */
const rubberJoints = ({ joints }: JobRecord, corner: Corner) =>
	joints.filter((joint) => joint.corner === corner && joint.kind === 'bonded-bush');

interface Lift {
	/** mm, + = the corner stands higher. */
	liftMm: number;
	/** Half-width of its 95 % band. Rubber, heights and arm are the same for all: their bands add up. */
	expandedMm: number;
	/** Of how many bushes. */
	count: number;
}

const liftOf = (
	bushes: readonly Pick<BushSetBand, 'heightErrorMm' | 'heightErrorExpandedMm'>[]
): Lift => ({
	liftMm: bushes.reduce((sum, { heightErrorMm }) => sum + heightErrorMm, 0),
	expandedMm: bushes.reduce((sum, { heightErrorExpandedMm }) => sum + heightErrorExpandedMm, 0),
	count: bushes.length
});

/**
 * What the rubber of a corner does to its height as it was set; undefined where none was.
 *
 * @param torques the one that counts last for each joint, by joint id
 */
export function liftAsSet(
	record: JobRecord,
	torques: ReadonlyMap<string, Torque>,
	corner: Corner
): Lift | undefined {
	const set = rubberJoints(record, corner).flatMap(({ id }) => torques.get(id)?.bush ?? []);
	return set.length ? liftOf(set) : undefined;
}

/**
 * By how much a corner would stand off its target if all of its rubber that was undone were set while hub to
 * arch is so much, mm, + = higher; with its 95 % band. Undefined where one of it cannot be judged.
 */
export function cornerLift(
	record: JobRecord,
	corner: Corner,
	setHubToArchMm: number,
	limits: TwistLimits
): Lift | undefined {
	const to = judging(record, corner, limits);
	const all = rubberJoints(record, corner).filter(({ loosened }) => loosened);
	const kept = to
		? all.flatMap((joint) => {
				const one = judge(record, to, setHubToArchMm, joint);
				return one.ok ? [one.value] : [];
			})
		: [];
	if (!all.length || kept.length < all.length) return undefined;
	return liftOf(kept);
}

/**
 * How far from the target the wheel may stand while its bushes are set, mm: the least that any rubber of
 * the corner allows. Undefined without a target, and where what was taped makes no corner.
 */
export function settingToleranceMm(
	record: JobRecord,
	corner: Corner,
	limits: TwistLimits
): number | undefined {
	const to = judging(record, corner, limits);
	if (!to?.mechanism.ok) return undefined;
	const { axle, rideMm, otherRideMm } = to;
	const mechanism = to.mechanism.value;
	const bump = (mm: number) => mechanism.referenceHubToArchMm - mm;
	const stands = around({ ownMm: bump(rideMm), otherMm: bump(otherRideMm) });
	const all = rubberJoints(record, corner);
	const tolerances = (all.length ? all : [{ key: null, place: null }]).flatMap((joint) => {
		const moved = turns(rubberOf(axle.layout, joint), mechanism, axle.trackMm, stands);
		if (!moved.ok) return [];
		const [less, more] = moved.value.map(([a, b]) => b - a) as [number, number];
		return (limits.setDeg * rad * 2 * stepMm) / Math.abs(more - less);
	});
	return tolerances.length ? Math.min(...tolerances) : undefined;
}
