import { faulty, ok, type Fault, type Result } from '../result.ts';

export type Point = readonly [number, number, number];

export const mechanismLayouts = [
	'double-wishbone',
	'macpherson',
	'multi-link',
	'trailing-arm',
	'solid-axle',
	'twist-beam'
] as const;
export type MechanismLayout = (typeof mechanismLayouts)[number];

/** One rod with a ball or bush at each end. */
interface Link {
	inner: Point;
	outer: Point;
	/** Direction of the inner bush's bolt; horizontal and across the link if absent. */
	bushAxis?: Point;
}

/** Part that carries the lower end of a spring or damper. */
export type Carrier = 'lower' | 'upper' | 'knuckle' | 'arm' | `link:${number}`;

/**
 * One corner as built: points in mm, ISO 8855 axes (x forward, y left, z up), all at the reference
 * posture. A right corner has its real, negative y.
 */
export interface CornerGeometry {
	layout: MechanismLayout;
	side: 'left' | 'right';
	points: Readonly<Record<string, Point>>;
	/** Five links of a multi-link corner. */
	links?: readonly Link[];
	wheelCentre: Point;
	/** Degrees, + = top outward. */
	staticCamberDeg: number;
	/** Degrees per wheel, + = toe-in. */
	staticToeDeg: number;
	springOn?: Carrier;
	damperOn?: Carrier;
}

/** The points each layout must have, in the words of `points`. */
const requiredPoints: Readonly<Record<MechanismLayout, readonly string[]>> = {
	'double-wishbone': [
		'lowerFrontPivot',
		'lowerRearPivot',
		'lowerBallJoint',
		'upperFrontPivot',
		'upperRearPivot',
		'upperBallJoint',
		'tieRodInner',
		'tieRodOuter'
	],
	macpherson: [
		'lowerFrontPivot',
		'lowerRearPivot',
		'lowerBallJoint',
		'tieRodInner',
		'tieRodOuter',
		'strutTop',
		'strutBottom'
	],
	'multi-link': [],
	'trailing-arm': ['pivotInner', 'pivotOuter'],
	'solid-axle': ['lowerInner', 'lowerOuter'],
	'twist-beam': ['pivotLeft', 'pivotRight']
};

const optionalPoints: Readonly<Record<MechanismLayout, readonly string[]>> = {
	'double-wishbone': [],
	macpherson: [],
	'multi-link': ['steeringLower', 'steeringUpper'],
	'trailing-arm': [],
	'solid-axle': ['upperInner', 'upperOuter', 'lateralRodBody', 'lateralRodAxle'],
	'twist-beam': []
};

const attachmentPoints = ['springTop', 'springBottom', 'damperTop', 'damperBottom'] as const;

/** Points that move with the knuckle, the axle or the arm that stands for it; the others are the body's. */
export const carriedPoints: readonly string[] = [
	'lowerBallJoint',
	'upperBallJoint',
	'tieRodOuter',
	'strutBottom',
	'lowerOuter',
	'upperOuter',
	'lateralRodAxle',
	'steeringLower',
	'steeringUpper'
];

/** Parts of each layout that can carry a spring or damper; the first is taken if none is named. */
export const carriers: Readonly<Record<MechanismLayout, readonly Carrier[]>> = {
	'double-wishbone': ['lower', 'upper', 'knuckle'],
	macpherson: ['knuckle', 'lower'],
	'multi-link': ['knuckle', 'link:0', 'link:1', 'link:2', 'link:3', 'link:4'],
	'trailing-arm': ['arm', 'knuckle'],
	'solid-axle': ['knuckle', 'arm', 'lower', 'upper'],
	'twist-beam': ['arm', 'knuckle']
};

/** Two points nearer than this, mm, cannot span a line. */
const leastLengthMm = 1;

const distance = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** Pairs of points that must not coincide. */
function spans(corner: CornerGeometry): [string, string][] {
	const { layout, points } = corner;
	const has = (name: string) => name in points;
	const pairs: [string, string][] = [
		['lowerFrontPivot', 'lowerRearPivot'],
		['lowerFrontPivot', 'lowerBallJoint'],
		['upperFrontPivot', 'upperRearPivot'],
		['upperFrontPivot', 'upperBallJoint'],
		['lowerBallJoint', 'upperBallJoint'],
		['lowerBallJoint', 'strutTop'],
		['tieRodInner', 'tieRodOuter'],
		['strutTop', 'strutBottom'],
		['pivotInner', 'pivotOuter'],
		['pivotLeft', 'pivotRight'],
		['lowerInner', 'lowerOuter'],
		['upperInner', 'upperOuter'],
		['lateralRodBody', 'lateralRodAxle'],
		['springTop', 'springBottom'],
		['damperTop', 'damperBottom']
	];
	if (layout === 'multi-link') pairs.push(['steeringLower', 'steeringUpper']);
	return pairs.filter(([a, b]) => has(a) && has(b));
}

const pairedPoints = [
	['upperInner', 'upperOuter'],
	['lateralRodBody', 'lateralRodAxle'],
	['steeringLower', 'steeringUpper'],
	['springTop', 'springBottom'],
	['damperTop', 'damperBottom']
] as const;

/** Checks that the corner has what its layout needs and no length of nothing; all faults at once. */
export function checkCorner(corner: CornerGeometry): Result<CornerGeometry> {
	const { layout, points } = corner;
	const faults: Fault[] = [];
	const known = [...requiredPoints[layout], ...optionalPoints[layout], ...attachmentPoints];
	for (const name of requiredPoints[layout]) {
		if (!(name in points)) {
			faults.push({
				field: `points.${name}`,
				message: `is needed for a ${layout} corner: [x, y, z] in mm`
			});
		}
	}
	for (const name of Object.keys(points)) {
		if (!known.includes(name)) {
			faults.push({
				field: `points.${name}`,
				message: `is not a point of a ${layout} corner; known are ${known.join(', ')}`
			});
		}
	}
	for (const [a, b] of pairedPoints) {
		if (a in points !== b in points) {
			const missing = a in points ? b : a;
			faults.push({
				field: `points.${missing}`,
				message: `is needed together with ${missing === a ? b : a}`
			});
		}
	}
	for (const [a, b] of spans(corner)) {
		if (distance(points[a]!, points[b]!) < leastLengthMm) {
			faults.push({
				field: `points.${b}`,
				message: `must be at least ${leastLengthMm} mm from ${a}`
			});
		}
	}
	if (layout === 'multi-link') {
		if (corner.links?.length !== 5) {
			faults.push({
				field: 'links',
				value: corner.links?.length,
				message: 'a multi-link corner has five links, each with inner and outer'
			});
		}
		for (const [i, link] of (corner.links ?? []).entries()) {
			if (distance(link.inner, link.outer) < leastLengthMm) {
				faults.push({
					field: `links.${i}.outer`,
					message: `must be at least ${leastLengthMm} mm from inner`
				});
			}
		}
	}
	for (const field of ['springOn', 'damperOn'] as const) {
		const carrier = corner[field];
		if (carrier && !carriers[layout].includes(carrier)) {
			faults.push({
				field,
				value: carrier,
				message: `must be one of ${carriers[layout].join(', ')} for a ${layout} corner`
			});
		}
		if (layout === 'solid-axle' && carrier === 'upper' && !('upperInner' in points)) {
			faults.push({ field, value: carrier, message: 'this axle has no upper links' });
		}
	}
	return faults.length ? faulty(...faults) : ok(corner);
}

/** The same corner on the other side of the car. */
export function mirrored(corner: CornerGeometry): CornerGeometry {
	const flip = (p: Point): Point => [p[0], -p[1], p[2]];
	return {
		...corner,
		side: corner.side === 'left' ? 'right' : 'left',
		wheelCentre: flip(corner.wheelCentre),
		points: Object.fromEntries(Object.entries(corner.points).map(([name, p]) => [name, flip(p)])),
		links: corner.links?.map((link) => ({
			inner: flip(link.inner),
			outer: flip(link.outer),
			...(link.bushAxis && { bushAxis: flip(link.bushAxis) })
		}))
	};
}
