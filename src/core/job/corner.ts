/** A corner of the car as a mechanism: from what was taped, and the layout's assumptions for the rest. */
import type { ArmTurn } from '../bush/set.ts';
import { findLayout } from '../layout/registry.ts';
import type { CornerGeometry } from '../mechanism/geometry.ts';
import { tapedGeometry, tapeMeasures, type TapeMeasure } from '../mechanism/tape.ts';
import { cornerPoints, type CornerPosture } from '../mechanism/points.ts';
import { cornerSweep, travelLimits, type SweepRow } from '../mechanism/sweep.ts';
import { ok, type Result } from '../result.ts';
import type { VehicleAxle } from './model.ts';
import { armGeometry } from './arm.ts';

/** The two measures a car's form asks for by itself, in the words of each mechanism. */
const armMeasures = ['lowerArmMm', 'lowerJointBelowPivotMm', 'armMm', 'hubBelowPivotMm'];

/** What else can be taped on an axle of this layout. */
export function furtherMeasures(layoutKey: string): Readonly<Record<string, TapeMeasure>> {
	const { mechanism } = findLayout(layoutKey)!;
	return Object.fromEntries(
		Object.entries(tapeMeasures[mechanism]).filter(([name]) => !armMeasures.includes(name))
	);
}

export interface CornerMechanism {
	/** Of the left side; the right is its mirror image. */
	geometry: CornerGeometry;
	/** Hub to arch at the geometry's reference posture, mm; a greater one is droop. */
	referenceHubToArchMm: number;
	/** Half-width of the 95 % band of the outer joint's height, mm. */
	jointExpandedMm: number;
	/** True when anything drawn is the layout's assumption. */
	assumed: boolean;
}

/** @param targetHubToArchMm stands in as the reference where no arm was taped */
export function cornerMechanism(
	axle: VehicleAxle,
	targetHubToArchMm: number
): Result<CornerMechanism> {
	const layout = findLayout(axle.layout)!;
	const arm = armGeometry(axle, targetHubToArchMm);
	const { referenceHubToArchMm } = arm;
	const jointExpandedMm = 2 * arm.outerBelowInnerMm.u;
	if (axle.hardpoints) {
		return ok({
			geometry: axle.hardpoints,
			referenceHubToArchMm,
			jointExpandedMm,
			assumed: false
		});
	}
	const { mechanism, assumed } = layout;
	const [length, below] =
		'armMm' in tapeMeasures[mechanism]
			? (['armMm', 'hubBelowPivotMm'] as const)
			: (['lowerArmMm', 'lowerJointBelowPivotMm'] as const);
	const made = tapedGeometry({
		layout: mechanism,
		measures: {
			...assumed.measures,
			...axle.tape,
			[length]: arm.armLengthMm.value,
			[below]: arm.outerBelowInnerMm.value
		}
	});
	if (!made.ok) return made;
	const further = Object.keys(assumed.measures);
	return ok({
		geometry: made.value,
		referenceHubToArchMm,
		jointExpandedMm,
		assumed: arm.assumed || further.some((name) => axle.tape?.[name] === undefined)
	});
}

/** How far the wheel is shown to go, mm from the target: own choice, less where something blocks. */
const shownDroopMm = 90;
const shownBumpMm = 60;

/** Hub to arch at the ends of the travel that is shown. */
export interface ShownTravel {
	droopMm: number;
	bumpMm: number;
}

/** The ends of the travel around the target, inside what the mechanism reaches. */
export function shownTravel(mechanism: CornerMechanism, targetMm: number): Result<ShownTravel> {
	const { geometry, referenceHubToArchMm } = mechanism;
	const at = referenceHubToArchMm - targetMm;
	const limits = travelLimits(geometry, at - shownDroopMm, at + shownBumpMm);
	if (!limits.ok) return limits;
	const { droop, bump } = limits.value;
	// A little inside where something blocks: there the angles run away.
	const inside = ({ atMm, blocker }: typeof droop) => atMm * (blocker ? 0.93 : 1);
	return ok({
		droopMm: referenceHubToArchMm - inside(droop),
		bumpMm: referenceHubToArchMm - inside(bump)
	});
}

/** The corner at each hub to arch, mm. */
export function posturesAt(
	{ geometry, referenceHubToArchMm }: CornerMechanism,
	heightsMm: readonly number[]
): Result<CornerPosture[]> {
	const found = cornerPoints(
		geometry,
		heightsMm.map((height) => referenceHubToArchMm - height)
	);
	return found.ok ? ok(found.value.postures) : found;
}

/** Half of the step over which a turn per mm is taken, mm. */
const slopeStepMm = 1;

/**
 * How the arm that a bush turns with turns from the height it was clamped at to the one the car stands at;
 * undefined where the mechanism cannot go there. A layout without an upper arm turns with its one arm.
 */
export function armTurn(
	{ geometry, referenceHubToArchMm }: CornerMechanism,
	which: 'lower' | 'upper',
	setHubToArchMm: number,
	rideHubToArchMm: number
): ArmTurn | undefined {
	const ride = referenceHubToArchMm - rideHubToArchMm;
	const bumps = [referenceHubToArchMm - setHubToArchMm, ride];
	const swept = cornerSweep(geometry, [...bumps, ride - slopeStepMm, ride + slopeStepMm]);
	if (!swept.ok) return undefined;
	const [set, rest, below, above] = swept.value.rows.map((row) => turnDeg(row, which)) as [
		number,
		number,
		number,
		number
	];
	const rad = Math.PI / 180;
	return {
		twistRad: (rest - set) * rad,
		anglePerMm: ((above - below) * rad) / (2 * slopeStepMm)
	};
}

/** Of five links the third is the upper one, the first the lower: the order of the sample corner. */
function turnDeg({ twistDeg, links }: SweepRow, which: 'lower' | 'upper'): number {
	const lower = twistDeg.lower ?? twistDeg.arm ?? links?.[0]?.twistDeg ?? 0;
	return which === 'upper' ? (twistDeg.upper ?? links?.[2]?.twistDeg ?? lower) : lower;
}

/** Loaded radius of a tyre from its size, mm: 205/55 R16. Undefined where the size is not said so. */
export function tyreRadiusMm(size: string): number | undefined {
	const found = /(\d{3})\s*\/\s*(\d{2})\s*(?:Z?R|-)?\s*(\d{2}(?:\.5)?)/i.exec(size);
	if (!found) return undefined;
	const [, width, aspect, rim] = found.map(Number) as [number, number, number, number];
	// A loaded tyre stands about 3 % lower than its free radius: common practice, no source.
	return 0.97 * ((rim * 25.4) / 2 + (width * aspect) / 100);
}
