import { polyline } from './paths';

/**
 * A coil spring seen from the side, as a zigzag with round turns: from a point to a point, with its
 * coils and its width, in drawing units of about a pixel.
 */
export function coilPath(
	from: readonly [number, number],
	to: readonly [number, number],
	coils: number,
	width: number
): string {
	const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1e-9;
	const along = [(to[0] - from[0]) / length, (to[1] - from[1]) / length] as const;
	const points: [number, number][] = [];
	const steps = Math.max(2, Math.round(coils * 16));
	for (let i = 0; i <= steps; i++) {
		const turn = (i / steps) * coils * 2 * Math.PI;
		const s = (i / steps) * length;
		const out = (width / 2) * Math.cos(turn);
		points.push([from[0] + along[0] * s - along[1] * out, from[1] + along[1] * s + along[0] * out]);
	}
	return polyline(points);
}
