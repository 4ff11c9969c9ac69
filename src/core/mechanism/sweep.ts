import { faulty, ok, type Fault, type Result } from '../result.ts';
import type { CornerGeometry } from './geometry.ts';
import { buildMechanism, type Mechanism } from './mechanism.ts';
import type { Vector } from './vector.ts';

/** One posture of a corner. Angles in degrees, lengths in mm; absent where the layout has none. */
export interface SweepRow {
	bumpMm: number;
	/** + = top outward. */
	camberDeg: number;
	/** + = toe-in. */
	toeDeg: number;
	/** + = top of the steering axis rearward. */
	casterDeg?: number;
	/** Kingpin inclination, + = top inboard. */
	kpiDeg?: number;
	/** Wheel centre outboard, from the reference posture. */
	trackChangeMm: number;
	/** Wheel centre forward, from the reference posture. */
	wheelbaseChangeMm: number;
	springLengthMm?: number;
	springMotionRatio?: number;
	damperLengthMm?: number;
	damperMotionRatio?: number;
	/** Turn of each arm about its pivots from the reference posture, + in bump. */
	twistDeg: { lower?: number; upper?: number; arm?: number };
	/** Per link: turn about its inner bush's bolt, and tilt out of the plane across it. */
	links?: { twistDeg: number; coneDeg: number }[];
}

const degrees = 180 / Math.PI;
/** How closely the end of the travel is found, mm. */
const limitToleranceMm = 0.05;

/**
 * Moves a corner through the given bumps (mm, + up). Rows come in the order asked for.
 * A bump out of reach is a fault that says how far the wheel goes and what stops it.
 */
export function cornerSweep(
	corner: CornerGeometry,
	bumpMm: readonly number[]
): Result<{ rows: SweepRow[] }> {
	const built = buildMechanism(corner);
	return built.ok ? sweep(built.value, bumpMm) : built;
}

function sweep(mechanism: Mechanism, bumpMm: readonly number[]): Result<{ rows: SweepRow[] }> {
	const read = reader(mechanism);
	const rows = new Array<SweepRow>(bumpMm.length);
	const outward = bumpMm.map((_, i) => i).sort((a, b) => bumpMm[a]! - bumpMm[b]!);
	const up = outward.filter((i) => bumpMm[i]! >= 0);
	const down = outward.filter((i) => bumpMm[i]! < 0).reverse();
	const faults: Fault[] = [];
	for (const way of [up, down]) {
		mechanism.mover.reset();
		for (const i of way) {
			if (!mechanism.moveTo(bumpMm[i]!)) {
				faults.push(outOfReach(mechanism, `bumpMm.${i}`, bumpMm[i]!));
				break;
			}
			rows[i] = read(bumpMm[i]!);
		}
	}
	return faults.length ? faulty(...faults) : ok({ rows });
}

/** One end of the travel asked for: reached, or where it stops and what blocks it. */
export interface TravelEnd {
	atMm: number;
	blocker?: string;
}

/** The reach of the wheel towards two bumps, mm (droop below 0, bump above). */
export function travelLimits(
	corner: CornerGeometry,
	droopMm: number,
	bumpMm: number
): Result<{ droop: TravelEnd; bump: TravelEnd }> {
	const built = buildMechanism(corner);
	if (!built.ok) return built;
	const end = (towards: number): TravelEnd => {
		built.value.mover.reset();
		if (built.value.moveTo(towards)) return { atMm: towards };
		return lastPosture(built.value, towards);
	};
	return ok({ droop: end(droopMm), bump: end(bumpMm) });
}

function lastPosture({ mover }: Mechanism, towards: number): Required<TravelEnd> {
	let reached = 0;
	let beyond = towards;
	while (Math.abs(beyond - reached) > limitToleranceMm) {
		const middle = (reached + beyond) / 2;
		mover.reset();
		if (mover.moveTo(middle)) reached = middle;
		else beyond = middle;
	}
	mover.reset();
	mover.moveTo(reached);
	return { atMm: reached, blocker: mover.blocker() };
}

export function outOfReach(mechanism: Mechanism, field: string, bumpMm: number): Fault {
	const { atMm, blocker } = lastPosture(mechanism, bumpMm);
	const most = `${Math.abs(atMm).toFixed(1)} mm of ${bumpMm > 0 ? 'bump' : 'droop'}`;
	return {
		field,
		value: bumpMm,
		message: `cannot be reached: the wheel goes to ${most}, then ${blocker} blocks it`
	};
}

/** Outboard spin axis of a left wheel at the reference posture, ISO 8855 axes. */
export function spinAxisAtReference({ staticCamberDeg, staticToeDeg }: CornerGeometry): Vector {
	const camber = staticCamberDeg / degrees;
	const toe = staticToeDeg / degrees;
	return [Math.sin(toe) * Math.cos(camber), Math.cos(toe) * Math.cos(camber), -Math.sin(camber)];
}

/** Makes the function that reads a posture into a row. Works with scratch vectors of its own. */
function reader(mechanism: Mechanism): (bumpMm: number) => SweepRow {
	const { corner, mover, knuckle, lower, upper, links, hinge, spring, damper, steering } =
		mechanism;
	const { pose } = mover;
	const spinAxis = spinAxisAtReference(corner);
	const spun: Vector = [0, 0, 0];
	const low: Vector = [0, 0, 0];
	const high: Vector = [0, 0, 0];
	const rate: Vector = [0, 0, 0];
	return (bumpMm) => {
		pose.direction(spinAxis, spun);
		const twistDeg: SweepRow['twistDeg'] = {};
		const row: SweepRow = {
			bumpMm,
			camberDeg: Math.atan2(-spun[2], Math.hypot(spun[0], spun[1])) * degrees,
			toeDeg: Math.atan2(spun[0], spun[1]) * degrees,
			trackChangeMm: pose.at[1] - corner.wheelCentre[1],
			wheelbaseChangeMm: pose.at[0] - corner.wheelCentre[0],
			twistDeg
		};
		if (steering) {
			knuckle.place(steering.lower, low, rate);
			if (steering.upperOnBody) high.splice(0, 3, ...steering.upper);
			else knuckle.place(steering.upper, high, rate);
			row.casterDeg = Math.atan2(low[0] - high[0], high[2] - low[2]) * degrees;
			row.kpiDeg = Math.atan2(low[1] - high[1], high[2] - low[2]) * degrees;
		}
		if (spring) {
			row.springLengthMm = spring.lengthMm;
			row.springMotionRatio = spring.motionRatio;
		}
		if (damper) {
			row.damperLengthMm = damper.lengthMm;
			row.damperMotionRatio = damper.motionRatio;
		}
		if (lower) twistDeg.lower = ('angle' in lower ? lower.angle : lower.twist) * degrees;
		if (upper) twistDeg.upper = ('angle' in upper ? upper.angle : upper.twist) * degrees;
		if (hinge) twistDeg.arm = hinge.angle * degrees;
		if (links.length) {
			row.links = links.map(({ twist, cone }) => ({
				twistDeg: twist * degrees,
				coneDeg: cone * degrees
			}));
		}
		return row;
	};
}
