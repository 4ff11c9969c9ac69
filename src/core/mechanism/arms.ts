import type { CornerGeometry, Point } from './geometry.ts';

/** An arm as a tape would see it: pivot axis to joint, and the joint's drop below the axis, mm. */
export interface MeasuredArm {
	lengthMm: number;
	/** + = joint below its pivot. */
	belowMm: number;
}

/** Points of the pivot axis, and the joint that it carries. */
function armPoints(
	{ points, links, wheelCentre }: CornerGeometry,
	which: 'lower' | 'upper'
): [Point, Point, Point] | undefined {
	const at = (name: string) => points[name];
	const three = (a?: Point, b?: Point, joint?: Point): [Point, Point, Point] | undefined =>
		a && b && joint ? [a, b, joint] : undefined;
	if (which === 'upper') {
		// Of five links the third is the upper one: the order of the sample corner.
		return (
			three(at('upperFrontPivot'), at('upperRearPivot'), at('upperBallJoint')) ??
			three(at('upperInner'), at('upperInner'), at('upperOuter')) ??
			three(links?.[2]?.inner, links?.[2]?.inner, links?.[2]?.outer)
		);
	}
	return (
		three(at('lowerFrontPivot'), at('lowerRearPivot'), at('lowerBallJoint')) ??
		three(at('lowerInner'), at('lowerInner'), at('lowerOuter')) ??
		three(at('pivotInner'), at('pivotOuter'), wheelCentre) ??
		three(at('pivotLeft'), at('pivotRight'), wheelCentre) ??
		three(links?.[0]?.inner, links?.[0]?.inner, links?.[0]?.outer)
	);
}

/**
 * What a tape would read on an arm of a corner given by hardpoints; undefined where the layout has no
 * such arm. The foot on the axis is the point nearest to the joint.
 */
export function measuredArm(
	corner: CornerGeometry,
	which: 'lower' | 'upper'
): MeasuredArm | undefined {
	const found = armPoints(corner, which);
	if (!found) return undefined;
	const [a, b, joint] = found;
	const axis = [b[0] - a[0], b[1] - a[1], b[2] - a[2]] as const;
	const out = [joint[0] - a[0], joint[1] - a[1], joint[2] - a[2]] as const;
	const squared = axis[0] ** 2 + axis[1] ** 2 + axis[2] ** 2;
	const share =
		squared > 0 ? (out[0] * axis[0] + out[1] * axis[1] + out[2] * axis[2]) / squared : 0;
	const away = [0, 1, 2].map((i) => out[i]! - share * axis[i]!) as [number, number, number];
	return { lengthMm: Math.hypot(...away), belowMm: -away[2] };
}
