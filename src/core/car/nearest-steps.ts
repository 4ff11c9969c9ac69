/**
 * Least squares |A·x − b| over whole numbers within bounds, for a handful of unknowns: the true minimum. By QR and
 * a search outward from the best real numbers that leaves what cannot be better (C. P. Schnorr and M. Euchner,
 * Mathematical Programming 66, 1994; from memory).
 */
import { QrDecomposition, Matrix, solve } from 'ml-matrix';

/**
 * @param rows of A, at least as many as unknowns and of full column rank
 * @param low, high bounds of every unknown, whole
 */
export function nearestSteps(
	rows: readonly (readonly number[])[],
	b: readonly number[],
	low: number,
	high: number
): number[] {
	const a = new Matrix(rows.map((row) => [...row]));
	const n = a.columns;
	const r = new QrDecomposition(a).upperTriangularMatrix;
	const centre = solve(a, Matrix.columnVector([...b])).to1DArray();
	let best: number[] = [];
	let least = Infinity;
	const x = new Array<number>(n).fill(0);
	const search = (i: number, cost: number): void => {
		if (i < 0) {
			// No minus nought.
			[best, least] = [x.map((value) => value + 0), cost];
			return;
		}
		// Where this one would be best, with those after it as they are.
		let middle = centre[i]!;
		for (let j = i + 1; j < n; j++) middle -= (r.get(i, j) / r.get(i, i)) * (x[j]! - centre[j]!);
		const near = Math.min(Math.max(Math.round(middle), low), high);
		for (let step = 0; step <= high - low; step++) {
			// Both sides of it, until neither can be better.
			let within = false;
			for (const value of step === 0 ? [near] : [near - step, near + step]) {
				if (value < low || value > high) continue;
				const here = cost + (r.get(i, i) * (value - middle)) ** 2;
				if (!(here < least - 1e-12)) continue;
				within = true;
				x[i] = value;
				search(i - 1, here);
			}
			if (!within) break;
		}
	};
	search(n - 1, 0);
	return best;
}
