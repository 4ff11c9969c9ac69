import { faulty, ok, type Result } from '../result.ts';
import { carriedPoints, type CornerGeometry, type Point } from './geometry.ts';
import { buildMechanism } from './mechanism.ts';
import { outOfReach, spinAxisAtReference } from './sweep.ts';
import type { Vector } from './vector.ts';

/** Where every point of a corner stands in one posture, mm, in the car's axes. */
export interface CornerPosture {
	bumpMm: number;
	points: Record<string, Point>;
	links?: { inner: Point; outer: Point }[];
	wheelCentre: Point;
	/** Unit vector along the spin axis, outboard. */
	spinAxis: Point;
}

/** The corner as it stands at each bump, mm: what a drawing needs. Faults as `cornerSweep`. */
export function cornerPoints(
	corner: CornerGeometry,
	bumpMm: readonly number[]
): Result<{ postures: CornerPosture[] }> {
	const built = buildMechanism(corner);
	if (!built.ok) return built;
	const mechanism = built.value;
	const { corner: left, mover, knuckle, spring, damper } = mechanism;
	const side = corner.side === 'right' ? -1 : 1;
	const rate: Vector = [0, 0, 0];
	const out = ([x, y, z]: Readonly<Vector>): Point => [x, side * y, z];
	const carried = (p: Point): Point => {
		const place: Vector = [0, 0, 0];
		knuckle.place(p, place, rate);
		return out(place);
	};
	const postures: CornerPosture[] = [];
	for (const [i, bump] of bumpMm.entries()) {
		mover.reset();
		if (!mechanism.moveTo(bump)) return faulty(outOfReach(mechanism, `bumpMm.${i}`, bump));
		const points = Object.entries(left.points).map(([name, p]): [string, Point] => {
			if (name === 'springBottom' && spring) return [name, out(spring.bottom)];
			if (name === 'damperBottom' && damper) return [name, out(damper.bottom)];
			return [name, carriedPoints.includes(name) ? carried(p) : out(p as Vector)];
		});
		postures.push({
			bumpMm: bump,
			points: Object.fromEntries(points),
			...(left.links && {
				links: left.links.map(({ inner, outer }) => ({
					inner: out(inner as Vector),
					outer: carried(outer)
				}))
			}),
			wheelCentre: out(mover.pose.at),
			spinAxis: out(mover.pose.direction(spinAxisAtReference(left), [0, 0, 0]))
		});
	}
	return ok({ postures });
}
