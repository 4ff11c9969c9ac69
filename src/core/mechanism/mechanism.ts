import { faulty, ok, type Result } from '../result.ts';
import { rigidPart, Rod, Wishbone, type Part } from './carried.ts';
import { linkConstraints } from './constraints.ts';
import {
	carriers,
	checkCorner,
	mirrored,
	type Carrier,
	type CornerGeometry,
	type Point
} from './geometry.ts';
import { Hinge } from './hinge.ts';
import { Linkage, type Mover } from './linkage.ts';
import type { Vector } from './vector.ts';

/** A spring or damper between a point of the body and a moving part. */
class Strut {
	lengthMm = 0;
	/** Shortening per mm of bump. */
	motionRatio = 0;
	readonly bottom: Vector = [0, 0, 0];
	readonly #rate: Vector = [0, 0, 0];

	constructor(
		readonly top: Point,
		private readonly bottomAtReference: Point,
		private readonly part: Part
	) {}

	update(): void {
		this.part.place(this.bottomAtReference, this.bottom, this.#rate);
		const x = this.bottom[0] - this.top[0];
		const y = this.bottom[1] - this.top[1];
		const z = this.bottom[2] - this.top[2];
		this.lengthMm = Math.sqrt(x * x + y * y + z * z);
		this.motionRatio = -(x * this.#rate[0] + y * this.#rate[1] + z * this.#rate[2]) / this.lengthMm;
	}
}

/** A corner made ready to move. Works as a left corner inside; a right one is mirrored first. */
export interface Mechanism {
	corner: CornerGeometry;
	mover: Mover;
	knuckle: Part;
	lower?: Wishbone | Rod;
	upper?: Wishbone | Rod;
	links: Rod[];
	hinge?: Hinge;
	spring?: Strut;
	damper?: Strut;
	/** Lower and upper end of the steering axis: fixed in the knuckle, or the upper one in the body. */
	steering?: { lower: Point; upper: Point; upperOnBody: boolean };
	/** Brings every part to a bump. @returns false when it cannot be reached */
	moveTo(bumpMm: number): boolean;
}

/**
 * Builds the mechanism of a corner.
 * @returns faults for missing points, lengths of nothing, or a geometry that leaves the wheel loose
 */
export function buildMechanism(given: CornerGeometry): Result<Mechanism> {
	const checked = checkCorner(given);
	if (!checked.ok) return checked;
	const corner = given.side === 'right' ? mirrored(given) : given;
	const { layout, points, wheelCentre } = corner;
	const p = (name: string) => points[name]!;

	const hinge =
		layout === 'trailing-arm'
			? new Hinge(p('pivotInner'), p('pivotOuter'), wheelCentre)
			: layout === 'twist-beam'
				? new Hinge(p('pivotLeft'), p('pivotRight'), wheelCentre)
				: undefined;
	const mover = hinge ?? new Linkage(linkConstraints(corner), wheelCentre);
	if (!mover.regular) {
		return faulty({
			field: layout === 'multi-link' ? 'links' : 'points',
			message: hinge
				? 'the pivot axis leaves the wheel no way up: the wheel centre must stand off the axis, across it'
				: 'these points leave the wheel loose, or locked, in the reference posture: some links lie in one line or act twice; check the coordinates'
		});
	}

	const knuckle = rigidPart(mover.pose, wheelCentre);
	const wishbone = (which: 'lower' | 'upper') =>
		new Wishbone(p(`${which}FrontPivot`), p(`${which}RearPivot`), p(`${which}BallJoint`), knuckle);
	const sideLink = (which: 'lower' | 'upper') =>
		`${which}Inner` in points
			? new Rod(p(`${which}Inner`), p(`${which}Outer`), knuckle, [0, 1, 0])
			: undefined;
	const lower =
		'lowerFrontPivot' in points
			? wishbone('lower')
			: layout === 'solid-axle'
				? sideLink('lower')
				: undefined;
	const upper =
		'upperFrontPivot' in points
			? wishbone('upper')
			: layout === 'solid-axle'
				? sideLink('upper')
				: undefined;
	const links = (corner.links ?? []).map(
		({ inner, outer, bushAxis }) => new Rod(inner, outer, knuckle, bushAxis)
	);

	const partOf = (carrier: Carrier): Part => {
		if (carrier === 'lower' && lower) return lower;
		if (carrier === 'upper' && upper) return upper;
		if (carrier.startsWith('link:')) return links[Number(carrier.slice(5))]!;
		return knuckle;
	};
	const strut = (name: 'spring' | 'damper', on: Carrier | undefined) => {
		if (`${name}Top` in points) {
			const part = partOf(on ?? carriers[layout][0]!);
			return new Strut(p(`${name}Top`), p(`${name}Bottom`), part);
		}
		return layout === 'macpherson'
			? new Strut(p('strutTop'), p('strutBottom'), knuckle)
			: undefined;
	};
	const spring = strut('spring', corner.springOn);
	const damper = strut('damper', corner.damperOn);
	const steering =
		layout === 'double-wishbone'
			? { lower: p('lowerBallJoint'), upper: p('upperBallJoint'), upperOnBody: false }
			: layout === 'macpherson'
				? { lower: p('lowerBallJoint'), upper: p('strutTop'), upperOnBody: true }
				: 'steeringLower' in points
					? { lower: p('steeringLower'), upper: p('steeringUpper'), upperOnBody: false }
					: undefined;

	const parts = [lower, upper, ...links, spring, damper].filter((part) => part !== undefined);
	return ok({
		corner,
		mover,
		knuckle,
		lower,
		upper,
		links,
		hinge,
		spring,
		damper,
		steering,
		moveTo(bumpMm) {
			if (!mover.moveTo(bumpMm)) return false;
			for (const part of parts) part.update();
			return true;
		}
	});
}
