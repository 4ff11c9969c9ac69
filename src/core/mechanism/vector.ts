/** Three-vectors as mutable triples: the solver writes into them and makes no new ones per posture. */
export type Vector = [number, number, number];
type Readable = readonly [number, number, number];

export const dot = (a: Readable, b: Readable): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

export function subtract(a: Readable, b: Readable, out: Vector = [0, 0, 0]): Vector {
	out[0] = a[0] - b[0];
	out[1] = a[1] - b[1];
	out[2] = a[2] - b[2];
	return out;
}

export function cross(a: Readable, b: Readable, out: Vector = [0, 0, 0]): Vector {
	const x = a[1] * b[2] - a[2] * b[1];
	const y = a[2] * b[0] - a[0] * b[2];
	out[2] = a[0] * b[1] - a[1] * b[0];
	out[0] = x;
	out[1] = y;
	return out;
}

/** a + s·b */
export function along(a: Readable, s: number, b: Readable, out: Vector = [0, 0, 0]): Vector {
	out[0] = a[0] + s * b[0];
	out[1] = a[1] + s * b[1];
	out[2] = a[2] + s * b[2];
	return out;
}

export const norm = (a: Readable): number => Math.sqrt(dot(a, a));

export function unit(a: Readable): Vector {
	const length = norm(a);
	return [a[0] / length, a[1] / length, a[2] / length];
}

/** Any unit vector across the given unit vector. */
export function across(a: Readable): Vector {
	const [x, y, z] = a.map(Math.abs) as [number, number, number];
	const helper: Vector = x <= y && x <= z ? [1, 0, 0] : y <= z ? [0, 1, 0] : [0, 0, 1];
	return unit(cross(a, helper));
}

/** v turned about the unit axis k (Rodrigues), given sine and cosine of the angle. */
export function turn(v: Readable, k: Readable, sin: number, cos: number, out: Vector): Vector {
	const kv = dot(k, v) * (1 - cos);
	const x = v[0] * cos + (k[1] * v[2] - k[2] * v[1]) * sin + k[0] * kv;
	const y = v[1] * cos + (k[2] * v[0] - k[0] * v[2]) * sin + k[1] * kv;
	out[2] = v[2] * cos + (k[0] * v[1] - k[1] * v[0]) * sin + k[2] * kv;
	out[0] = x;
	out[1] = y;
	return out;
}
