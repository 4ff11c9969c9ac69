/** Mean and sample standard deviation of repeated readings. */
export interface Summary {
	n: number;
	mean: number;
	/** Sample standard deviation, n − 1 in the denominator; 0 for a single value. */
	s: number;
	min: number;
	max: number;
}

/**
 * Two-pass summary, shifted by the first value so that a large common offset costs no digits
 * (NIST StRD univariate sets are the check).
 *
 * @throws RangeError for an empty list.
 */
export function summarize(values: readonly number[]): Summary {
	const n = values.length;
	if (n === 0) throw new RangeError('summarize needs at least one value');
	const shift = values[0]!;
	let sum = 0;
	for (const value of values) sum += value - shift;
	const meanShifted = sum / n;
	let squares = 0;
	let drift = 0;
	let min = shift;
	let max = shift;
	for (const value of values) {
		if (value < min) min = value;
		if (value > max) max = value;
		const d = value - shift - meanShifted;
		squares += d * d;
		drift += d;
	}
	const s = n > 1 ? Math.sqrt((squares - (drift * drift) / n) / (n - 1)) : 0;
	return { n, mean: shift + meanShifted, s, min, max };
}

export function median(values: readonly number[]): number {
	const sorted = [...values].sort((a, b) => a - b);
	const middle = sorted.length >> 1;
	return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
