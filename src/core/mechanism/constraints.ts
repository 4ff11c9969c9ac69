import type { CornerGeometry, Point } from './geometry.ts';
import type { Pose } from './pose.ts';
import { across, cross, dot, norm, subtract, unit, type Vector } from './vector.ts';

/**
 * One constraint equation on the carried body. `write` puts its derivatives by position (x, y, z) and
 * by a small rotation (x, y, z), then its residual, into the row of seven; all are scaled so that the
 * residual is in mm.
 */
export interface Constraint {
	/** In the trade's words: which part would have to be longer, shorter or elsewhere. */
	name: string;
	write(pose: Pose, row: Float64Array): void;
}

const d: Vector = [0, 0, 0];
const arm: Vector = [0, 0, 0];
const moment: Vector = [0, 0, 0];
const facing: Vector = [0, 0, 0];

/** |B − A| = L for a rod from body point A to carried point B. Flat: seen from the side, y ignored. */
function rod(
	name: string,
	bodyEnd: Point,
	carriedEnd: Point,
	origin: Point,
	flat = false
): Constraint {
	const local = subtract(carriedEnd, origin);
	const start = subtract(carriedEnd, bodyEnd);
	if (flat) start[1] = 0;
	const length = norm(start);
	return {
		name,
		write(pose, row) {
			pose.direction(local, arm);
			d[0] = pose.at[0] + arm[0] - bodyEnd[0];
			d[1] = flat ? 0 : pose.at[1] + arm[1] - bodyEnd[1];
			d[2] = pose.at[2] + arm[2] - bodyEnd[2];
			cross(arm, d, moment);
			for (let i = 0; i < 3; i++) {
				row[i] = d[i]! / length;
				row[3 + i] = moment[i]! / length;
			}
			row[6] = (dot(d, d) - length * length) / (2 * length);
		}
	};
}

/** (T − S)·e = 0: body point T stays in the plane through carried point S, whose normal e turns with it. */
function inPlane(
	name: string,
	bodyPoint: Point,
	carriedPoint: Point,
	normal: Vector,
	origin: Point
): Constraint {
	const local = subtract(carriedPoint, origin);
	const spanned = [0, 0, 0] as Vector;
	const other = [0, 0, 0] as Vector;
	return {
		name,
		write(pose, row) {
			pose.direction(local, arm);
			pose.direction(normal, facing);
			for (let i = 0; i < 3; i++) d[i] = bodyPoint[i]! - pose.at[i]! - arm[i]!;
			cross(facing, d, spanned);
			cross(arm, facing, other);
			for (let i = 0; i < 3; i++) {
				row[i] = -facing[i]!;
				row[3 + i] = spanned[i]! - other[i]!;
			}
			row[6] = dot(d, facing);
		}
	};
}

/** (R e)·f = 0, times 1000 mm: a direction of the body stays across a direction of the car. */
function stays(name: string, local: Vector, across: Vector): Constraint {
	return {
		name,
		write(pose, row) {
			pose.direction(local, facing);
			cross(facing, across, moment);
			row.fill(0);
			for (let i = 0; i < 3; i++) row[3 + i] = 1000 * moment[i]!;
			row[6] = 1000 * dot(facing, across);
		}
	};
}

function keepsY(origin: Point): Constraint {
	return {
		name: 'the axle, kept from moving sideways',
		write(pose, row) {
			row.fill(0);
			row[1] = 1;
			row[6] = pose.at[1] - origin[1];
		}
	};
}

/** The five constraint equations of a corner whose wheel is carried by links. Points of a left corner. */
export function linkConstraints(corner: CornerGeometry): Constraint[] {
	const { layout, points, wheelCentre: origin } = corner;
	const p = (name: string) => points[name]!;
	const lowerArm = () => [
		rod(
			'the lower arm, front pivot to ball joint',
			p('lowerFrontPivot'),
			p('lowerBallJoint'),
			origin
		),
		rod('the lower arm, rear pivot to ball joint', p('lowerRearPivot'), p('lowerBallJoint'), origin)
	];
	const tieRod = () => rod('the tie rod', p('tieRodInner'), p('tieRodOuter'), origin);
	switch (layout) {
		case 'double-wishbone':
			return [
				...lowerArm(),
				rod(
					'the upper arm, front pivot to ball joint',
					p('upperFrontPivot'),
					p('upperBallJoint'),
					origin
				),
				rod(
					'the upper arm, rear pivot to ball joint',
					p('upperRearPivot'),
					p('upperBallJoint'),
					origin
				),
				tieRod()
			];
		case 'macpherson': {
			const axis = unit(subtract(p('strutTop'), p('strutBottom')));
			const one = across(axis);
			const slides = (normal: Vector) =>
				inPlane(
					'the strut, sliding through its top mount',
					p('strutTop'),
					p('strutBottom'),
					normal,
					origin
				);
			return [...lowerArm(), slides(one), slides(cross(axis, one)), tieRod()];
		}
		case 'multi-link':
			return corner.links!.map(({ inner, outer }, i) => rod(`link ${i}`, inner, outer, origin));
		case 'solid-axle': {
			const lower = subtract(p('lowerOuter'), p('lowerInner'));
			const upright = unit([-lower[2], 0, lower[0]]);
			return [
				rod('the lower link', p('lowerInner'), p('lowerOuter'), origin, true),
				'upperInner' in points
					? rod('the upper link', p('upperInner'), p('upperOuter'), origin, true)
					: // No upper link: the lower one is fixed to the axle and takes it round.
						inPlane(
							'the lower link, fixed to the axle',
							p('lowerInner'),
							p('lowerOuter'),
							upright,
							origin
						),
				stays('the axle, kept from rolling', [0, 1, 0], [0, 0, 1]),
				stays('the axle, kept from yawing', [0, 1, 0], [1, 0, 0]),
				'lateralRodBody' in points
					? rod('the lateral rod', p('lateralRodBody'), p('lateralRodAxle'), origin)
					: keepsY(origin)
			];
		}
		default:
			throw new Error(`${layout} has a hinge, not links`);
	}
}
