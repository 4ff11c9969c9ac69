/** Stands for "no limit" where a result must be a finite number; t differs from normal by < 1e-5. */
export const manyDegrees = 1e6;

/** 97.5 % point of the normal distribution. */
const normal = 1.959963984540054;

/** 1/degrees and ln t at 97.5 %, where the expansion below does not reach. */
const few: readonly (readonly [number, number])[] = [
	[1, 12.706204736174694],
	[1.2, 8.648826510748863],
	[1.5, 6.016663104427929],
	[2, 4.302652729749462],
	[3, 3.182446305283708]
].map(([degrees, t]) => [1 / degrees!, Math.log(t!)]);

/**
 * Two-sided 95 % coverage factor of Student's t, within 5e-5 of itself: a library's whole t distribution
 * would be a third of a page's script.
 *
 * Source: G. W. Hill, Algorithm 396, Student's t-quantiles, Communications of the ACM 13 (1970), p. 619;
 * below three degrees through values between which ln t over 1/degrees is drawn as one polynomial.
 *
 * @param degreesOfFreedom 1 or more, need not be whole; `Infinity` gives the normal 1.95996…
 */
export function coverage95(degreesOfFreedom: number): number {
	const n = Math.min(degreesOfFreedom, manyDegrees);
	return n < 3 ? ofFew(n) : ofMany(n);
}

/** Lagrange's polynomial through `few`. */
function ofFew(n: number): number {
	const sum = few.reduce((total, [x, lnT], i) => {
		const weight = few.reduce(
			(w, [other], j) => (j === i ? w : (w * (1 / n - other)) / (x - other)),
			1
		);
		return total + weight * lnT;
	}, 0);
	return Math.exp(sum);
}

/** The published algorithm's steps in its letters, at P = 0.05. */
function ofMany(n: number): number {
	const a = 1 / (n - 0.5);
	const b = 48 / (a * a);
	let c = (((20700 * a) / b - 98) * a - 16) * a + 96.36;
	const d = ((94.5 / (b + c) - 3) / b + 1) * Math.sqrt((a * Math.PI) / 2) * n;
	let y = (d * 0.05) ** (2 / n);
	if (y > 0.05 + a) {
		const x = -normal;
		y = x * x;
		if (n < 5) c += 0.3 * (n - 4.5) * (x + 0.6);
		c += (((0.05 * d * x - 5) * x - 7) * x - 2) * x + b;
		y = (((((0.4 * y + 6.3) * y + 36) * y + 94.5) / c - y - 3) / b + 1) * x;
		y = Math.expm1(a * y * y);
	} else {
		y =
			((1 / (((n + 6) / (n * y) - 0.089 * d - 0.822) * (n + 2) * 3) + 0.5 / (n + 4)) * y - 1) *
				((n + 1) / (n + 2)) +
			1 / y;
	}
	return Math.sqrt(n * y);
}
