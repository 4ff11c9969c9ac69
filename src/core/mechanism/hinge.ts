import type { Point } from './geometry.ts';
import type { Mover } from './linkage.ts';
import { Pose } from './pose.ts';
import { along, cross, dot, subtract, turn, unit, type Vector } from './vector.ts';

/**
 * A wheel on one hinge: trailing arm, semi-trailing arm, twist beam. The height of the wheel centre is
 * A·cos α + B·sin α + C over the turn α, solved in closed form on the branch of the reference posture.
 */
export class Hinge implements Mover {
	readonly pose = new Pose();
	/** Turn of the arm from the reference posture, rad, + in bump. */
	angle = 0;
	readonly axis: Vector;
	readonly regular: boolean;
	readonly #turn: Vector = [0, 0, 0];
	readonly #foot: Vector;
	readonly #radius: Vector;
	readonly #origin: Point;
	/** Amplitude and phase of the height over the turn. */
	readonly #amplitude: number;
	readonly #phase: number;

	constructor(from: Point, to: Point, origin: Point) {
		let axis = unit(subtract(to, from));
		const foot = along(from, dot(subtract(origin, from), axis), axis);
		const radius = subtract(origin, foot);
		if (cross(axis, radius)[2] < 0) axis = [-axis[0], -axis[1], -axis[2]];
		this.axis = axis;
		this.#foot = foot;
		this.#radius = radius;
		this.#origin = origin;
		const rise = cross(axis, radius)[2];
		this.#amplitude = Math.hypot(radius[2], rise);
		// z(α) = amplitude · sin(phase + α)
		this.#phase = Math.atan2(radius[2], rise);
		this.regular = rise > 1e-6 * Math.max(1, Math.hypot(...radius));
		this.moveTo(0);
	}

	reset(): void {
		this.moveTo(0);
	}

	moveTo(bumpMm: number): boolean {
		const sine = (this.#radius[2] + bumpMm) / this.#amplitude;
		// At the very top or bottom the wheel goes no further whatever the arm does.
		if (!(Math.abs(sine) < 1 - 1e-9)) return false;
		const angle = bumpMm === 0 ? 0 : Math.asin(sine) - this.#phase;
		this.angle = angle;
		const { pose, axis } = this;
		pose.q.set([1, 0, 0, 0]);
		for (let i = 0; i < 3; i++) this.#turn[i] = axis[i]! * angle;
		pose.turnBy(this.#turn);
		turn(this.#radius, axis, Math.sin(angle), Math.cos(angle), pose.at);
		const swept = cross(axis, pose.at);
		for (let i = 0; i < 3; i++) pose.at[i]! += this.#foot[i]!;
		pose.at[2] = this.#origin[2] + bumpMm;
		for (let i = 0; i < 3; i++) {
			pose.velocity[i] = swept[i]! / swept[2];
			pose.spin[i] = axis[i]! / swept[2];
		}
		return true;
	}

	blocker(): string {
		return 'the arm, turned as far about its pivots as the wheel centre can rise or fall';
	}
}
