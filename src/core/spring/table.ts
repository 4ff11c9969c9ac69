import { faulty, ok, type Fault, type Result } from '../result.ts';

/** Force of a progressive spring at a length, measured in a press. */
export interface SpringPoint {
	lengthMm: number;
	forceN: number;
}

interface SpringTable {
	minLengthMm: number;
	maxLengthMm: number;
	/** Force and rate (N/mm, + = stiffer when shorter) at a length inside the table. */
	at(lengthMm: number): { forceN: number; rateNPerMm: number };
	/** Length at which the spring carries a force; undefined outside the table. */
	lengthAt(forceN: number): number | undefined;
}

/**
 * Monotone piecewise cubic through the points, without overshoot (Fritsch and Carlson, SIAM J. Numer.
 * Anal. 17, 1980; slopes by the weighted harmonic mean). Force must fall as length grows.
 */
function springTable(given: readonly SpringPoint[], field = 'points'): Result<SpringTable> {
	if (given.length < 2) {
		return faulty({ field, value: given.length, message: 'needs at least two points' });
	}
	const points = [...given].sort((a, b) => a.lengthMm - b.lengthMm);
	for (let i = 1; i < points.length; i++) {
		const [a, b] = [points[i - 1]!, points[i]!];
		if (b.lengthMm === a.lengthMm) {
			return faulty({
				field,
				value: b.lengthMm,
				message: `holds the length ${b.lengthMm} mm twice`
			});
		}
		if (b.forceN >= a.forceN) {
			return faulty({
				field,
				value: b.forceN,
				message: `must fall as the spring gets longer: ${a.forceN} N at ${a.lengthMm} mm, ${b.forceN} N at ${b.lengthMm} mm`
			});
		}
	}
	const n = points.length;
	const x = points.map((point) => point.lengthMm);
	const y = points.map((point) => point.forceN);
	const h = x.slice(1).map((value, i) => value - x[i]!);
	const secant = h.map((step, i) => (y[i + 1]! - y[i]!) / step);
	const slope = x.map((_, i) => {
		if (i === 0 || i === n - 1)
			return endSlope(i === 0 ? 0 : n - 2, i === 0 ? 1 : n - 3, h, secant);
		const [w1, w2] = [2 * h[i]! + h[i - 1]!, h[i]! + 2 * h[i - 1]!];
		return (w1 + w2) / (w1 / secant[i - 1]! + w2 / secant[i]!);
	});
	const at = (lengthMm: number) => {
		let i = 0;
		while (i < n - 2 && lengthMm > x[i + 1]!) i++;
		const t = (lengthMm - x[i]!) / h[i]!;
		const [y0, y1, m0, m1] = [y[i]!, y[i + 1]!, slope[i]! * h[i]!, slope[i + 1]! * h[i]!];
		const forceN =
			y0 * (1 + 2 * t) * (1 - t) ** 2 +
			m0 * t * (1 - t) ** 2 +
			y1 * t * t * (3 - 2 * t) +
			m1 * t * t * (t - 1);
		const perLength =
			((y1 - y0) * 6 * t * (1 - t) + m0 * (1 - t) * (1 - 3 * t) + m1 * t * (3 * t - 2)) / h[i]!;
		return { forceN, rateNPerMm: -perLength };
	};
	return ok({
		minLengthMm: x[0]!,
		maxLengthMm: x[n - 1]!,
		at,
		lengthAt(forceN) {
			if (forceN > y[0]! || forceN < y[n - 1]!) return undefined;
			let [short, long] = [x[0]!, x[n - 1]!];
			for (let i = 0; i < 60; i++) {
				const middle = (short + long) / 2;
				if (at(middle).forceN > forceN) short = middle;
				else long = middle;
			}
			return (short + long) / 2;
		}
	});
}

/** Reads a press table at lengths or at forces: length, force and rate, in the order asked. */
export function readSpringTable(input: {
	points: readonly SpringPoint[];
	lengthMm?: readonly number[];
	forceN?: readonly number[];
}): Result<{ rows: { lengthMm: number; forceN: number; rateNPerMm: number }[] }> {
	const table = springTable(input.points);
	if (!table.ok) return table;
	const { minLengthMm, maxLengthMm, at, lengthAt } = table.value;
	const faults: Fault[] = [];
	const lengths = (input.lengthMm ?? []).map((length, i) => {
		if (length < minLengthMm || length > maxLengthMm) {
			faults.push({
				field: `lengthMm.${i}`,
				value: length,
				message: `is outside the table (${minLengthMm} to ${maxLengthMm} mm); measure there too`
			});
		}
		return length;
	});
	for (const [i, force] of (input.forceN ?? []).entries()) {
		const length = lengthAt(force);
		if (length === undefined) {
			faults.push({
				field: `forceN.${i}`,
				value: force,
				message: `is outside the table (${at(maxLengthMm).forceN} to ${at(minLengthMm).forceN} N); measure there too`
			});
		} else lengths.push(length);
	}
	if (faults.length) return faulty(...faults);
	return ok({ rows: lengths.map((lengthMm) => ({ lengthMm, ...at(lengthMm) })) });
}

/** One-sided slope of the end point, held to the sign of its secant and three times it. */
function endSlope(i: number, next: number, h: number[], secant: number[]): number {
	if (h.length === 1) return secant[0]!;
	const slope = ((2 * h[i]! + h[next]!) * secant[i]! - h[i]! * secant[next]!) / (h[i]! + h[next]!);
	if (slope >= 0) return 0;
	return Math.max(slope, 3 * secant[i]!);
}
