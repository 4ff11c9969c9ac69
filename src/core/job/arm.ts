/** The arm that a corner's rubber turns with, as it was taped or given by hardpoints. */
import { findLayout } from '../layout/registry.ts';
import type { Estimate, JointPlace } from '../layout/types.ts';
import { measuredArm } from '../mechanism/arms.ts';
import type { VehicleAxle } from './model.ts';

/** A corner's arm as taped, or as the layout assumes it. */
export interface ArmGeometry {
	armLengthMm: Estimate;
	outerBelowInnerMm: Estimate;
	referenceHubToArchMm: number;
	wheelRateNPerMm: number;
	/** True when any part is the layout's assumption: the answer then carries a wide band. */
	assumed: boolean;
}

/** Standard uncertainty of a length taped under a car, mm. Own choice. */
const tapedMm = 3;
/** The same of a length between hardpoints, mm. Own choice. */
const hardpointMm = 1;
/** Joints whose rubber turns with the upper arm. */
export const isUpper = (place: JointPlace | null | undefined): boolean =>
	place === 'upper-pivot' || place === 'upper-joint';

/**
 * The arm a bush turns with: the upper one for a bush at the upper arm of a layout that has one, else the
 * lower, or the arm that carries the wheel.
 */
export function armGeometry(
	axle: VehicleAxle,
	targetHubToArchMm: number,
	place?: JointPlace | null
): ArmGeometry {
	const { assumed } = findLayout(axle.layout)!;
	const wheelRateNPerMm = axle.wheelRateNPerMm ?? assumed.wheelRateNPerMm;
	const { hardpoints } = axle;
	const known =
		hardpoints &&
		((isUpper(place) ? measuredArm(hardpoints, 'upper') : undefined) ??
			measuredArm(hardpoints, 'lower'));
	if (known) {
		return {
			armLengthMm: { value: known.lengthMm, u: hardpointMm },
			outerBelowInnerMm: { value: known.belowMm, u: hardpointMm },
			referenceHubToArchMm: axle.referenceHubToArchMm ?? targetHubToArchMm,
			wheelRateNPerMm,
			assumed: false
		};
	}
	const { upperArmMm, upperJointBelowPivotMm } = assumed.measures;
	if (isUpper(place) && upperArmMm !== undefined && upperJointBelowPivotMm !== undefined) {
		const length = axle.tape?.upperArmMm;
		const below = axle.tape?.upperJointBelowPivotMm;
		return {
			armLengthMm:
				length === undefined
					? { value: upperArmMm, u: assumed.armLengthMm.u }
					: { value: length, u: tapedMm },
			outerBelowInnerMm:
				below === undefined
					? { value: upperJointBelowPivotMm, u: assumed.outerBelowInnerMm.u }
					: { value: below, u: tapedMm },
			referenceHubToArchMm:
				below === undefined ? targetHubToArchMm : (axle.referenceHubToArchMm ?? targetHubToArchMm),
			wheelRateNPerMm,
			assumed: length === undefined || below === undefined
		};
	}
	const taped = axle.armLengthMm !== null && axle.outerBelowInnerMm !== null;
	return {
		armLengthMm:
			axle.armLengthMm === null ? assumed.armLengthMm : { value: axle.armLengthMm, u: tapedMm },
		outerBelowInnerMm:
			axle.outerBelowInnerMm === null
				? assumed.outerBelowInnerMm
				: { value: axle.outerBelowInnerMm, u: tapedMm },
		referenceHubToArchMm:
			axle.outerBelowInnerMm === null
				? targetHubToArchMm
				: (axle.referenceHubToArchMm ?? targetHubToArchMm),
		wheelRateNPerMm,
		assumed: !taped
	};
}
