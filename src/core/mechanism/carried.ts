import type { Point } from './geometry.ts';
import type { Pose } from './pose.ts';
import { along, cross, dot, norm, subtract, turn, unit, type Vector } from './vector.ts';

/** A part that moves with the corner; gives place and rate (per mm of bump) of a point on it. */
export interface Part {
	/** Call once per posture before the points are asked for. */
	update(): void;
	/** A point given at the reference posture, in the car's axes. */
	place(atReference: Point, place: Vector, rate: Vector): void;
}

/** The knuckle itself, or the arm that carries it rigidly. */
export function rigidPart(pose: Pose, origin: Point): Part {
	const local: Vector = [0, 0, 0];
	const arm: Vector = [0, 0, 0];
	return {
		update: () => {},
		place(atReference, place, rate) {
			subtract(atReference, origin, local);
			pose.direction(local, arm);
			pose.rate(arm, true, rate);
			along(pose.at, 1, arm, place);
		}
	};
}

/** An arm that turns about the line through its two pivots and ends at a joint on the knuckle. */
export class Wishbone implements Part {
	/** Turn from the reference posture, rad, + in bump. */
	angle = 0;
	/** Not a #name: the engine would box it anew at every posture. */
	private perMm = 0;
	readonly #axis: Vector;
	readonly #foot: Vector;
	readonly #start: Vector;
	readonly #quarter: Vector;
	readonly #joint: Vector = [0, 0, 0];
	readonly #rate: Vector = [0, 0, 0];

	constructor(
		front: Point,
		rear: Point,
		readonly jointAtReference: Point,
		private readonly knuckle: Part
	) {
		let axis = unit(subtract(rear, front));
		const foot = along(front, dot(subtract(jointAtReference, front), axis), axis);
		const start = subtract(jointAtReference, foot);
		if (cross(axis, start)[2] < 0) axis = [-axis[0], -axis[1], -axis[2]];
		this.#axis = axis;
		this.#foot = foot;
		this.#start = start;
		this.#quarter = cross(axis, start);
	}

	update(): void {
		this.knuckle.place(this.jointAtReference, this.#joint, this.#rate);
		subtract(this.#joint, this.#foot, this.#joint);
		this.angle = Math.atan2(dot(this.#joint, this.#quarter), dot(this.#joint, this.#start));
		cross(this.#axis, this.#joint, this.#joint);
		this.perMm = dot(this.#joint, this.#rate) / dot(this.#joint, this.#joint);
	}

	place(atReference: Point, place: Vector, rate: Vector): void {
		subtract(atReference, this.#foot, place);
		turn(place, this.#axis, Math.sin(this.angle), Math.cos(this.angle), place);
		cross(this.#axis, place, rate);
		for (let i = 0; i < 3; i++) {
			rate[i]! *= this.perMm;
			place[i]! += this.#foot[i]!;
		}
	}
}

/**
 * A rod with one bush or ball at each end. It is taken to swing without spinning about its own length
 * (the shortest turn from its reference direction), which is what its bushes want.
 */
export class Rod implements Part {
	/** Turn about the inner bush's bolt, rad, + in bump. */
	twist = 0;
	/** Change of the angle out of the plane across the bolt, rad. */
	cone = 0;
	readonly #start: Vector;
	readonly #axis: Vector;
	readonly #planeStart: number;
	readonly #coneStart: number;
	readonly #up: Vector;
	readonly #forward: Vector;
	readonly #now: Vector = [0, 0, 0];
	readonly #end: Vector = [0, 0, 0];
	readonly #endRate: Vector = [0, 0, 0];
	/** start × now, and its rate; 1 + start·now, and its rate. */
	readonly #w: Vector = [0, 0, 0];
	readonly #dw: Vector = [0, 0, 0];
	#c = 2;
	#dc = 0;
	readonly #arm: Vector = [0, 0, 0];
	readonly #a: Vector = [0, 0, 0];
	readonly #b: Vector = [0, 0, 0];
	readonly #length: number;

	constructor(
		readonly inner: Point,
		readonly outer: Point,
		private readonly knuckle: Part,
		bushAxis?: Point
	) {
		const along0 = subtract(outer, inner);
		this.#length = norm(along0);
		this.#start = unit(along0);
		const level = cross(this.#start, [0, 0, 1]);
		let axis = bushAxis ? unit(bushAxis) : norm(level) > 1e-6 ? unit(level) : ([1, 0, 0] as Vector);
		if (cross(axis, this.#start)[2] < 0) axis = [-axis[0], -axis[1], -axis[2]];
		this.#axis = axis;
		this.#forward = along(this.#start, -dot(this.#start, axis), axis);
		this.#up = cross(axis, this.#forward);
		this.#planeStart = Math.atan2(dot(this.#start, this.#up), dot(this.#start, this.#forward));
		this.#coneStart = Math.asin(clamp(dot(this.#start, axis)));
	}

	update(): void {
		this.knuckle.place(this.outer, this.#end, this.#endRate);
		subtract(this.#end, this.inner, this.#now);
		for (let i = 0; i < 3; i++) {
			this.#now[i]! /= this.#length;
			this.#endRate[i]! /= this.#length;
		}
		cross(this.#start, this.#now, this.#w);
		cross(this.#start, this.#endRate, this.#dw);
		this.#c = 1 + dot(this.#start, this.#now);
		this.#dc = dot(this.#start, this.#endRate);
		this.twist =
			Math.atan2(dot(this.#now, this.#up), dot(this.#now, this.#forward)) - this.#planeStart;
		this.cone = Math.asin(clamp(dot(this.#now, this.#axis))) - this.#coneStart;
	}

	place(atReference: Point, place: Vector, rate: Vector): void {
		const a = this.#a;
		const b = this.#b;
		const v = subtract(atReference, this.inner, this.#arm);
		// Shortest turn: v + w×v + w×(w×v)/(1 + c), and its derivative term by term.
		cross(this.#w, v, a);
		cross(this.#w, a, b);
		for (let i = 0; i < 3; i++) {
			place[i] = this.inner[i]! + v[i]! + a[i]! + b[i]! / this.#c;
			rate[i] = (-b[i]! * this.#dc) / (this.#c * this.#c);
		}
		cross(this.#dw, a, b);
		for (let i = 0; i < 3; i++) rate[i]! += b[i]! / this.#c;
		cross(this.#dw, v, a);
		for (let i = 0; i < 3; i++) rate[i]! += a[i]!;
		cross(this.#w, a, b);
		for (let i = 0; i < 3; i++) rate[i]! += b[i]! / this.#c;
	}
}

const clamp = (x: number) => Math.min(1, Math.max(-1, x));
