/** A spring of a stack: rate and how far it can be pressed before its coils close. */
export interface StackedSpring {
	rateNPerMm: number;
	travelMm: number;
}

/** Rate of springs in series, N/mm: 1/k = Σ 1/kᵢ. */
export const seriesRate = (rates: readonly number[]): number =>
	1 / rates.reduce((sum, rate) => sum + 1 / rate, 0);

/**
 * Force against compression of stacked springs (a helper or tender on a main spring): the corners of
 * the line, where one spring after the other closes and the rest get stiffer.
 */
export function seriesLine(
	springs: readonly StackedSpring[]
): { compressionMm: number; forceN: number; rateNPerMm: number }[] {
	const closing = [...springs].sort(
		(a, b) => a.rateNPerMm * a.travelMm - b.rateNPerMm * b.travelMm
	);
	const line = [
		{ compressionMm: 0, forceN: 0, rateNPerMm: seriesRate(springs.map((s) => s.rateNPerMm)) }
	];
	for (const [i, spring] of closing.entries()) {
		const forceN = spring.rateNPerMm * spring.travelMm;
		const last = line[line.length - 1]!;
		const compressionMm = last.compressionMm + (forceN - last.forceN) / last.rateNPerMm;
		const left = closing.slice(i + 1);
		const rateNPerMm = left.length ? seriesRate(left.map((s) => s.rateNPerMm)) : 0;
		line.push({ compressionMm, forceN, rateNPerMm });
	}
	return line;
}
