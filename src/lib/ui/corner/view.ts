import { polygonHull } from 'd3';
import type { JointPlace } from '$core/layout/types';
import type { MechanismLayout, Point } from '$core/mechanism/geometry';
import type { CornerPosture } from '$core/mechanism/points';

/** Layouts whose links swing in a plane along the car are drawn from the side, the others from in front. */
export const seenFromSide = (layout: MechanismLayout): boolean =>
	layout === 'trailing-arm' || layout === 'twist-beam' || layout === 'solid-axle';

/** mm across and mm up, as the drawing wants them: outboard, or rearward, to the right. */
export type Flat = [number, number];

export const flatten = (layout: MechanismLayout, [x, y, z]: Point): Flat =>
	seenFromSide(layout) ? [-x, z] : [y, z];

/** Width of the tyre as drawn from in front; no size says how it bulges. */
export const tyreWidthMm = 205;

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

/** Point names in the order they are looked for, at each place of a joint. */
const placePoints: Readonly<Partial<Record<JointPlace, readonly string[]>>> = {
	'damper-top': ['damperTop', 'strutTop', 'springTop'],
	'damper-bottom': ['damperBottom', 'strutBottom', 'springBottom'],
	'lower-pivot': ['lowerFrontPivot', 'lowerInner', 'pivotInner', 'pivotLeft'],
	'lower-joint': ['lowerBallJoint', 'lowerOuter'],
	'upper-pivot': ['upperFrontPivot', 'upperInner', 'lowerFrontPivot', 'lowerInner'],
	'upper-joint': ['upperBallJoint', 'upperOuter', 'lowerBallJoint', 'lowerOuter'],
	'tie-rod-inner': ['tieRodInner', 'lowerInner', 'lowerFrontPivot'],
	'tie-rod-outer': ['tieRodOuter', 'lowerOuter', 'lowerBallJoint']
};

const between = ([ax, az]: Flat, [bx, bz]: Flat, share: number): Flat => [
	ax + share * (bx - ax),
	az + share * (bz - az)
];

/** Where a joint sits in the drawing. Links that no tape measures are shown near the part they hold to. */
export function placeOf(layout: MechanismLayout, posture: CornerPosture, place: JointPlace): Flat {
	const wheel = flatten(layout, posture.wheelCentre);
	const link = (i: number, end: 'inner' | 'outer'): Flat | undefined =>
		posture.links?.[i] && flatten(layout, posture.links[i][end]);
	const ofLinks: Partial<Record<JointPlace, Flat | undefined>> = {
		'lower-pivot': link(0, 'inner'),
		'lower-joint': link(0, 'outer'),
		'upper-pivot': link(2, 'inner'),
		'upper-joint': link(2, 'outer'),
		'tie-rod-inner': link(4, 'inner'),
		'tie-rod-outer': link(4, 'outer')
	};
	const at = (name: JointPlace): Flat => {
		if (ofLinks[name]) return ofLinks[name];
		const point = placePoints[name]?.find((key) => posture.points[key]);
		return point ? flatten(layout, posture.points[point]!) : wheel;
	};
	switch (place) {
		case 'hub':
			return wheel;
		case 'drop-link':
			return between(between(at('lower-pivot'), at('lower-joint'), 0.75), at('damper-bottom'), 0.5);
		case 'bar':
			return between(at('lower-pivot'), at('lower-joint'), 0.25);
		case 'bracket':
			return between(at('damper-bottom'), at('damper-top'), 0.4);
		case 'lateral-rod':
			return between(at('lower-joint'), wheel, 0.5);
		default:
			return at(place);
	}
}

/** To a tenth of a pixel: more is not seen, and makes the page long. */
export const tenth = (px: number): number => Math.round(px * 10) / 10;

/** From a pivot to the joint its arm carries: what turns in its rubber. */
export interface Arm {
	pivot: Flat;
	joint: Flat;
}

export function armOf(
	layout: MechanismLayout,
	posture: CornerPosture,
	which: 'lower' | 'upper'
): Arm | undefined {
	if (posture.links) {
		return {
			pivot: placeOf(layout, posture, `${which}-pivot`),
			joint: placeOf(layout, posture, `${which}-joint`)
		};
	}
	const names = which === 'upper' ? ['upperFrontPivot', 'upperInner'] : placePoints['lower-pivot']!;
	const pivot = names.find((key) => posture.points[key]);
	if (!pivot) return undefined;
	return {
		pivot: flatten(layout, posture.points[pivot]!),
		joint: placeOf(layout, posture, which === 'upper' ? 'upper-joint' : 'lower-joint')
	};
}

/** Of an arm in the drawing, clockwise from straight up, rad. */
const angleOf = ({ pivot, joint }: Arm): number =>
	Math.atan2(joint[0] - pivot[0], joint[1] - pivot[1]);

/**
 * The wedge of rubber between an arm as shown and as it will rest: from the arm on, by the twist that is
 * said. Seen along the arm's axis it ends where the arm rests; an axis across the view would show it a
 * little wider or narrower than the rubber is turned.
 * @returns both ends, clockwise from straight up, rad, the lesser first
 */
export function wedgeOf(arm: Arm, rest: Flat, twistDeg: number): [number, number] {
	const from = angleOf(arm);
	const way = Math.sign(angleOf({ pivot: arm.pivot, joint: rest }) - from);
	const until = from + (way * Math.abs(twistDeg) * Math.PI) / 180;
	return from < until ? [from, until] : [until, from];
}
