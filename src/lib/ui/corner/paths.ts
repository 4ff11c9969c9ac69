/** Paths of the drawings, to a tenth of a pixel; charts have their own. */
import { pathRound } from 'd3';

type Point = readonly [number, number];

/** Straight from point to point; nothing where there is none. */
export function polyline(points: readonly Point[], closed = false): string {
	const path = pathRound(1);
	for (const [i, [x, y]] of points.entries()) {
		if (i === 0) path.moveTo(x, y);
		else path.lineTo(x, y);
	}
	if (closed && points.length) path.closePath();
	return path.toString();
}

/**
 * A piece of a ring about the origin; a wedge where its inner radius is 0.
 *
 * @param from angles clockwise from straight up, rad
 */
export function ringPiece(inner: number, outer: number, from: number, to: number): string {
	const path = pathRound(1);
	const turned = -Math.PI / 2;
	path.arc(0, 0, outer, from + turned, to + turned, to < from);
	if (inner > 0) path.arc(0, 0, inner, to + turned, from + turned, to >= from);
	else path.lineTo(0, 0);
	path.closePath();
	return path.toString();
}
