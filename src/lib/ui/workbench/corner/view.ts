import { polygonHull } from 'd3';
import type { MechanismLayout, Point } from '$core/mechanism/geometry';
import type { CornerPosture } from '$core/mechanism/points';

/** Layouts whose links swing in a plane along the car are drawn from the side, the others from in front. */
export const seenFromSide = (layout: MechanismLayout): boolean =>
	layout === 'trailing-arm' || layout === 'twist-beam' || layout === 'solid-axle';

/** mm across and mm up, as the drawing wants them: outboard, or rearward, to the right. */
export type Flat = [number, number];

export const flatten = (layout: MechanismLayout, [x, y, z]: Point): Flat =>
	seenFromSide(layout) ? [-x, z] : [y, z];

export interface Shape {
	/** Arms and links: the pairs of ends. */
	arms: { from: Flat; to: Flat; light?: boolean }[];
	/** Pivots on the body. */
	pivots: Flat[];
	/** Joints on the knuckle. */
	joints: Flat[];
	knuckle: Flat[];
	spring?: [Flat, Flat];
	damper?: [Flat, Flat];
	wheel: Flat;
	/** Lean of the wheel in this view, rad, + = top to the right. */
	lean: number;
}

/** What is drawn of a corner in one posture. */
export function shapeOf(layout: MechanismLayout, posture: CornerPosture): Shape {
	const { points, links, wheelCentre, spinAxis } = posture;
	const flat = (p: Point) => flatten(layout, p);
	const at = (name: string) => (points[name] ? flat(points[name]) : undefined);
	const wheel = flat(wheelCentre);
	const rods: [string, string, boolean?][] = [
		['lowerFrontPivot', 'lowerBallJoint'],
		['lowerRearPivot', 'lowerBallJoint'],
		['upperFrontPivot', 'upperBallJoint'],
		['upperRearPivot', 'upperBallJoint'],
		['tieRodInner', 'tieRodOuter', true],
		['lowerInner', 'lowerOuter'],
		['upperInner', 'upperOuter']
	];
	const arms = rods.flatMap(([a, b, light]) => {
		const [from, to] = [at(a), at(b)];
		return from && to ? [{ from, to, light }] : [];
	});
	for (const link of links ?? [])
		arms.push({ from: flat(link.inner), to: flat(link.outer), light: undefined });
	const hinge = [at('pivotInner') ?? at('pivotLeft'), at('pivotOuter')].filter(
		(p) => p !== undefined
	);
	for (const pivot of hinge) arms.push({ from: pivot, to: wheel, light: undefined });
	const span = (part: string): [Flat, Flat] | undefined => {
		const [top, bottom] = [at(`${part}Top`), at(`${part}Bottom`)];
		return top && bottom ? [top, bottom] : undefined;
	};
	const joints = arms.filter(({ to }) => to !== wheel).map(({ to }) => to);
	const strut = at('strutBottom');
	const corners = [...joints, ...(strut ? [strut] : []), wheel];
	return {
		arms,
		pivots: arms.map(({ from }) => from),
		joints,
		knuckle: hinge.length ? [] : (corners.length > 2 && polygonHull(corners)) || corners,
		spring: span('spring') ?? span('strut'),
		damper: span('damper') ?? span('strut'),
		wheel,
		lean: Math.atan2(-spinAxis[2], Math.hypot(spinAxis[0], spinAxis[1]))
	};
}
