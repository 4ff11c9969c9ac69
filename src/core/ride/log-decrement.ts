/** ζ from the ratio of two peaks one full swing apart: δ = ln(x₁/x₂), ζ = δ/√(4π² + δ²). */
export function dampingFromPeaks(first: number, second: number): number {
	const decrement = Math.log(first / second);
	return decrement / Math.hypot(2 * Math.PI, decrement);
}

/** ζ from the overshoot on the other side, half a swing later. */
export function dampingFromOvershoot(first: number, overshoot: number): number {
	const decrement = Math.log(first / overshoot);
	return decrement / Math.hypot(Math.PI, decrement);
}
