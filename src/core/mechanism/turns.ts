/** How far the parts of a corner turn about a bolt: what rubber between two of them is twisted by. */
import { faulty, ok, type Result } from '../result.ts';
import type { CornerGeometry } from './geometry.ts';
import { buildMechanism, type Mechanism } from './mechanism.ts';
import { outOfReach } from './sweep.ts';
import { along, cross, dot, subtract, type Vector } from './vector.ts';

type TurningPart = 'lower' | 'upper' | 'arm' | 'knuckle' | 'damper';

/** Direction of a bolt: along the car, or across it. */
export type BoltDirection = 'along' | 'across';

/**
 * Turn of each part from the reference posture about a bolt, rad; absent where the corner has no such part.
 * + is the turn of an arm in bump, for every part: differences of two are what rubber between them keeps.
 */
export type PartTurns = Partial<Record<TurningPart, number>>;

/**
 * The parts of a corner at each bump (mm, + up), in the order asked for. Arms turn about their own pivots,
 * rods as seen along the bolt; of the knuckle (or axle) it is the part of its rotation about the bolt, of a
 * damper the turn of its length as seen along the bolt.
 *
 * @returns faults as `cornerSweep`
 */
export function partTurns(
	corner: CornerGeometry,
	bolt: BoltDirection,
	bumpMm: readonly number[]
): Result<PartTurns[]> {
	const built = buildMechanism(corner);
	if (!built.ok) return built;
	const mechanism = built.value;
	const read = reader(mechanism, bolt);
	const rows: PartTurns[] = [];
	for (const [i, bump] of bumpMm.entries()) {
		mechanism.mover.reset();
		if (!mechanism.moveTo(bump)) return faulty(outOfReach(mechanism, `bumpMm.${i}`, bump));
		rows.push(read());
	}
	return ok(rows);
}

function reader(mechanism: Mechanism, bolt: BoltDirection): () => PartTurns {
	const { corner, mover, hinge, damper, links } = mechanism;
	// Of five links the third is the upper one, the first the lower: the order of the sample corner.
	const [lower, upper] = [mechanism.lower ?? links[0], mechanism.upper ?? links[2]];
	const axis = boltAxis(mechanism, bolt);
	const start = damper && subtract(corner.points[damperEnds(corner)[1]]!, damper.top);
	return () => {
		const turns: PartTurns = {};
		if (lower) turns.lower = 'angle' in lower ? lower.angle : lower.twist;
		if (upper) turns.upper = 'angle' in upper ? upper.angle : upper.twist;
		if (hinge) turns.arm = hinge.angle;
		const [w, x, y, z] = mover.pose.q as unknown as [number, number, number, number];
		turns.knuckle = 2 * Math.atan2(x * axis[0] + y * axis[1] + z * axis[2], w);
		if (damper && start) turns.damper = turnAbout(axis, start, subtract(damper.bottom, damper.top));
		return turns;
	};
}

const damperEnds = ({ points }: CornerGeometry) =>
	'damperTop' in points
		? (['damperTop', 'damperBottom'] as const)
		: (['strutTop', 'strutBottom'] as const);

/** Along the bolt, so that an arm in bump turns by + about it: which way depends on where its wheel is. */
function boltAxis({ corner, hinge }: Mechanism, bolt: BoltDirection): Vector {
	if (bolt === 'along') return [1, 0, 0];
	const { points, wheelCentre } = corner;
	const pivot = points.lowerInner ?? points.pivotInner ?? points.pivotLeft;
	const trails = hinge || !pivot || wheelCentre[0] < pivot[0];
	return [0, trails ? 1 : -1, 0];
}

/** Angle between two directions as seen along an axis, rad. */
function turnAbout(axis: Readonly<Vector>, from: Readonly<Vector>, to: Readonly<Vector>): number {
	const [a, b] = [from, to].map((v) => along(v, -dot(v, axis), axis)) as [Vector, Vector];
	return Math.atan2(dot(axis, cross(a, b)), dot(a, b));
}
