import type { Vector } from './vector.ts';

/**
 * Where a rigid body is: position of its origin (the wheel centre) and attitude, with the rates of both
 * per mm of bump. One is made per corner and rewritten for every posture.
 */
export class Pose {
	readonly at: Vector = [0, 0, 0];
	/** Attitude as a unit quaternion w, x, y, z, and as a row-major matrix. */
	readonly q = new Float64Array([1, 0, 0, 0]);
	readonly R = new Float64Array([1, 0, 0, 0, 1, 0, 0, 0, 1]);
	/** mm per mm of bump. */
	readonly velocity: Vector = [0, 0, 1];
	/** rad per mm of bump. */
	readonly spin: Vector = [0, 0, 0];

	copy(other: Pose): void {
		for (let i = 0; i < 3; i++) {
			this.at[i] = other.at[i]!;
			this.velocity[i] = other.velocity[i]!;
			this.spin[i] = other.spin[i]!;
		}
		this.q.set(other.q);
		this.R.set(other.R);
	}

	/** A direction fixed in the body, in the car's axes. */
	direction(local: readonly [number, number, number], out: Vector): Vector {
		const { R } = this;
		const x = local[0];
		const y = local[1];
		const z = local[2];
		out[0] = R[0]! * x + R[1]! * y + R[2]! * z;
		out[1] = R[3]! * x + R[4]! * y + R[5]! * z;
		out[2] = R[6]! * x + R[7]! * y + R[8]! * z;
		return out;
	}

	/** A point fixed in the body, given from its origin, in the car's axes. */
	point(local: readonly [number, number, number], out: Vector): Vector {
		this.direction(local, out);
		out[0] += this.at[0];
		out[1] += this.at[1];
		out[2] += this.at[2];
		return out;
	}

	/** Rate of a direction or, with `moving`, of a point whose arm from the origin is `arm`. */
	rate(arm: Vector, moving: boolean, out: Vector): Vector {
		const wx = this.spin[0];
		const wy = this.spin[1];
		const wz = this.spin[2];
		const x = arm[0];
		const y = arm[1];
		const z = arm[2];
		out[0] = wy * z - wz * y + (moving ? this.velocity[0] : 0);
		out[1] = wz * x - wx * z + (moving ? this.velocity[1] : 0);
		out[2] = wx * y - wy * x + (moving ? this.velocity[2] : 0);
		return out;
	}

	/** Turns the body by a rotation vector in the car's axes, rad. A vector: loose numbers would be boxed. */
	turnBy(rotation: Readonly<Vector>): void {
		const rx = rotation[0];
		const ry = rotation[1];
		const rz = rotation[2];
		const { q } = this;
		const angle = Math.sqrt(rx * rx + ry * ry + rz * rz);
		const s = angle < 1e-12 ? 0.5 : Math.sin(angle / 2) / angle;
		const aw = Math.cos(angle / 2);
		const ax = rx * s;
		const ay = ry * s;
		const az = rz * s;
		const w = q[0]!;
		const x = q[1]!;
		const y = q[2]!;
		const z = q[3]!;
		q[0] = aw * w - ax * x - ay * y - az * z;
		q[1] = aw * x + ax * w + ay * z - az * y;
		q[2] = aw * y - ax * z + ay * w + az * x;
		q[3] = aw * z + ax * y - ay * x + az * w;
		this.#fromQuaternion();
	}

	#fromQuaternion(): void {
		const { q, R } = this;
		const length = Math.sqrt(q[0]! * q[0]! + q[1]! * q[1]! + q[2]! * q[2]! + q[3]! * q[3]!);
		for (let i = 0; i < 4; i++) q[i]! /= length;
		const w = q[0]!;
		const x = q[1]!;
		const y = q[2]!;
		const z = q[3]!;
		R[0] = 1 - 2 * (y * y + z * z);
		R[1] = 2 * (x * y - w * z);
		R[2] = 2 * (x * z + w * y);
		R[3] = 2 * (x * y + w * z);
		R[4] = 1 - 2 * (x * x + z * z);
		R[5] = 2 * (y * z - w * x);
		R[6] = 2 * (x * z - w * y);
		R[7] = 2 * (y * z + w * x);
		R[8] = 1 - 2 * (x * x + y * y);
	}
}
