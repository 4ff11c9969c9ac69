import { Matrix, solve } from 'ml-matrix';

/**
 * Least squares |A·x − b| with each x between its bounds, for a handful of unknowns: every way of
 * holding some of them at a bound is tried, so the answer is the true minimum.
 *
 * @param rows of A, at least as many as unknowns and of full column rank
 */
export function boundedLeastSquares(
	rows: readonly (readonly number[])[],
	b: readonly number[],
	bounds: readonly { min: number; max: number }[]
): number[] {
	const n = bounds.length;
	let best: { x: number[]; cost: number } | undefined;
	for (let held = 0; held < 3 ** n; held++) {
		const state = bounds.map((_, i) => Math.floor(held / 3 ** i) % 3);
		const x = bounds.map(({ min, max }, i) => (state[i] === 1 ? min : state[i] === 2 ? max : 0));
		const free = state.flatMap((s, i) => (s === 0 ? [i] : []));
		if (free.length) {
			const left = new Matrix(rows.map((row) => free.map((i) => row[i]!)));
			const right = Matrix.columnVector(
				rows.map((row, r) => b[r]! - row.reduce((sum, a, i) => sum + a * x[i]!, 0))
			);
			const turned = left.transpose();
			const part = solve(turned.mmul(left), turned.mmul(right));
			free.forEach((i, j) => (x[i] = part.get(j, 0)));
		}
		const slack = 1e-9;
		if (x.some((v, i) => !(v >= bounds[i]!.min - slack && v <= bounds[i]!.max + slack))) continue;
		const cost = squaredError(rows, b, x);
		if (!best || cost < best.cost) best = { x, cost };
		// With nothing held the minimum is the least of all.
		if (held === 0) break;
	}
	return best!.x;
}

const squaredError = (
	rows: readonly (readonly number[])[],
	b: readonly number[],
	x: readonly number[]
): number =>
	rows.reduce((sum, row, r) => sum + (row.reduce((s, a, i) => s + a * x[i]!, 0) - b[r]!) ** 2, 0);
