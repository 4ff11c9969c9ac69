import { faulty, ok, type Result } from '../result.ts';

/**
 * ζ from the ratio of two peaks. A whole swing apart δ = ln(x₁/x₂), ζ = δ/√(4π² + δ²); half a swing apart,
 * the overshoot on the other side, δ is half of that and 2π becomes π.
 */
export function dampingFromPeaks({
	firstMm,
	nextMm,
	swings
}: {
	firstMm: number;
	nextMm: number;
	swings: number;
}): Result<{ dampingRatio: number; decrement: number }> {
	if (nextMm >= firstMm) {
		return faulty({
			field: 'nextMm',
			value: nextMm,
			message: `must be less than firstMm (${firstMm}): a swing that is damped gets smaller`
		});
	}
	const decrement = Math.log(firstMm / nextMm);
	return ok({ dampingRatio: decrement / Math.hypot(2 * Math.PI * swings, decrement), decrement });
}
