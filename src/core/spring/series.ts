import { faulty, ok, type Result } from '../result.ts';

/** A spring of a stack: rate and how far it can be pressed before its coils close. */
export interface StackedSpring {
	rateNPerMm: number;
	travelMm: number;
}

/** Rate of springs in series, N/mm: 1/k = Σ 1/kᵢ. */
export const seriesRate = (rates: readonly number[]): number =>
	1 / rates.reduce((sum, rate) => sum + 1 / rate, 0);

/** A corner of the line of force over compression; `rateNPerMm` holds from here on, 0 when all is closed. */
export interface StackPoint {
	compressionMm: number;
	forceN: number;
	rateNPerMm: number;
}

/**
 * Stacked springs (a helper or tender on a main spring): one after the other closes and the rest get
 * stiffer. With a force, how far the stack is pressed by it and the rate it has there.
 */
export function springStack({
	springs,
	forceN
}: {
	springs: readonly StackedSpring[];
	forceN?: number;
}): Result<{
	/** With all coils open. */
	rateNPerMm: number;
	line: StackPoint[];
	atForce?: { compressionMm: number; rateNPerMm: number };
}> {
	const closing = [...springs].sort(
		(a, b) => a.rateNPerMm * a.travelMm - b.rateNPerMm * b.travelMm
	);
	const rateNPerMm = seriesRate(springs.map((spring) => spring.rateNPerMm));
	const line: StackPoint[] = [{ compressionMm: 0, forceN: 0, rateNPerMm }];
	for (const [i, spring] of closing.entries()) {
		const closesAtN = spring.rateNPerMm * spring.travelMm;
		const last = line[line.length - 1]!;
		const left = closing.slice(i + 1);
		line.push({
			compressionMm: last.compressionMm + (closesAtN - last.forceN) / last.rateNPerMm,
			forceN: closesAtN,
			rateNPerMm: left.length ? seriesRate(left.map((s) => s.rateNPerMm)) : 0
		});
	}
	if (forceN === undefined) return ok({ rateNPerMm, line });
	const from = line.findLast((point) => point.forceN <= forceN)!;
	if (from.rateNPerMm === 0 && forceN > from.forceN) {
		return faulty({
			field: 'forceN',
			value: forceN,
			message: `closes every spring: the stack carries ${from.forceN.toFixed(0)} N at most`
		});
	}
	const further = from.rateNPerMm === 0 ? 0 : (forceN - from.forceN) / from.rateNPerMm;
	return ok({
		rateNPerMm,
		line,
		atForce: { compressionMm: from.compressionMm + further, rateNPerMm: from.rateNPerMm }
	});
}
