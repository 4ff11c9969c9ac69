import { faulty, ok, type Result } from '../result.ts';

/** A control arm as two tape measures see it, at one known height. */
export interface TapedArm {
	/** Inner pivot to outer joint, mm. */
	armLengthMm: number;
	/** Height of the inner pivot minus height of the outer joint at the reference height, mm. */
	outerBelowInnerMm: number;
	/** Hub to arch at which `outerBelowInnerMm` was taken, mm. */
	referenceHubToArchMm: number;
	/** Movement of the outer joint per movement of the wheel; 1 unless known. */
	jointPerWheel?: number;
}

/**
 * How far the outer joint hangs below the pivot at another hub-to-arch, mm. A greater hub-to-arch is
 * a wheel further down.
 */
export function outerBelowInnerMm(arm: TapedArm, hubToArchMm: number): number {
	return (
		arm.outerBelowInnerMm + (hubToArchMm - arm.referenceHubToArchMm) * (arm.jointPerWheel ?? 1)
	);
}

/** Angle of the arm below the horizontal, rad, + = outer end down; a fault where the arm cannot reach. */
export function armAngle(arm: TapedArm, hubToArchMm: number, field: string): Result<number> {
	const below = outerBelowInnerMm(arm, hubToArchMm);
	const sine = below / arm.armLengthMm;
	if (Math.abs(sine) < 1) return ok(Math.asin(sine));
	const [where, distance] = [below > 0 ? 'below' : 'above', Math.abs(below).toFixed(0)];
	return faulty({
		field,
		value: hubToArchMm,
		message: `at ${hubToArchMm} mm the outer joint would be ${distance} mm ${where} its pivot, but the arm is only ${arm.armLengthMm} mm long: check the height, the arm length and the joint drop`
	});
}
