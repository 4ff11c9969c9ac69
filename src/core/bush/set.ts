import { faulty, ok, type Fault, type Result } from '../result.ts';
import { armAngle, outerBelowInnerMm, type TapedArm } from './arm.ts';
import { shearModulusMPa } from './rubber.ts';
import { greatestShearStrain, torsionalStiffness, type BushSize } from './torsion.ts';
import { twistVerdict, type TwistLimits, type TwistVerdict } from './verdict.ts';

export interface BushSetInput extends TapedArm {
	/** Hub to arch while the bush was clamped, mm. */
	setHubToArchMm: number;
	/** Hub to arch at which the car will stand, mm. */
	rideHubToArchMm: number;
	/** Rubber of one bush; hardness or modulus, modulus wins. */
	bush: BushSize & { hardnessIrhd?: number; shearModulusMPa?: number };
	/** Bushes on this arm's pivot axis. */
	bushCount: number;
	/** Vertical stiffness at the wheel, N/mm. */
	wheelRateNPerMm: number;
	limits?: TwistLimits;
}

export interface BushSetResult {
	/** Twist the bush keeps at ride height, degrees; + = wound so that it holds the car up. */
	twistDeg: number;
	maxShearStrain: number;
	/** Moment of one bush, N·m, with the sign of the twist. */
	torquePerBushNm: number;
	/** Vertical force of all bushes at the wheel, N, + = up on the body. */
	wheelForceN: number;
	/** How much higher the car stands for it, mm. */
	heightErrorMm: number;
	verdict: TwistVerdict;
}

/**
 * What a bonded bush keeps of the height it was clamped at: twist, strain, moment, force at the wheel
 * by virtual work and the height error it makes. Sections: arm angle φ(h) = asin(b(h)/L); twist
 * φ(set) − φ(ride).
 */
export function bushSet(input: BushSetInput): Result<BushSetResult> {
	const { bush } = input;
	const faults: Fault[] = [];
	if (bush.outerDiameterMm <= bush.innerDiameterMm) {
		faults.push({
			field: 'bush.outerDiameterMm',
			value: bush.outerDiameterMm,
			message: `must be greater than innerDiameterMm (${bush.innerDiameterMm})`
		});
	}
	const modulus = modulusOf(bush);
	const atSet = armAngle(input, input.setHubToArchMm, 'setHubToArchMm');
	const atRide = armAngle(input, input.rideHubToArchMm, 'rideHubToArchMm');
	for (const part of [modulus, atSet, atRide]) if (!part.ok) faults.push(...part.faults);
	if (faults.length || !modulus.ok || !atSet.ok || !atRide.ok) return faulty(...faults);

	const below = outerBelowInnerMm(input, input.rideHubToArchMm);
	// dφ/dh at ride height, from φ = asin(b/L).
	const anglePerMm = (input.jointPerWheel ?? 1) / Math.sqrt(input.armLengthMm ** 2 - below ** 2);
	return ok(keeps(input, modulus.value, { twistRad: atSet.value - atRide.value, anglePerMm }));
}

/** How an arm turns between two heights of its wheel. */
export interface ArmTurn {
	/** From the height a bush was clamped at to the one the car stands at, rad, + = clamped further down. */
	twistRad: number;
	/** Turn per mm of the wheel where the car stands, rad/mm. */
	anglePerMm: number;
}

/** What a bonded bush keeps when its arm turns as a mechanism has it, instead of as two tape measures have it. */
export function bushTurned(input: BushSetInput, turn: ArmTurn): Result<BushSetResult> {
	const modulus = modulusOf(input.bush);
	return modulus.ok ? ok(keeps(input, modulus.value, turn)) : modulus;
}

function keeps(
	{ bush, bushCount, wheelRateNPerMm, limits }: BushSetInput,
	modulusMPa: number,
	{ twistRad, anglePerMm }: ArmTurn
): BushSetResult {
	const momentNmm = torsionalStiffness(bush, modulusMPa) * twistRad;
	const wheelForceN = bushCount * momentNmm * anglePerMm;
	const twistDeg = (twistRad * 180) / Math.PI;
	return {
		twistDeg,
		maxShearStrain: greatestShearStrain(bush, twistRad),
		torquePerBushNm: momentNmm / 1000,
		wheelForceN,
		heightErrorMm: wheelForceN / wheelRateNPerMm,
		verdict: twistVerdict(twistDeg, limits)
	};
}

function modulusOf(bush: BushSetInput['bush']): Result<number> {
	if (bush.shearModulusMPa !== undefined) return ok(bush.shearModulusMPa);
	return bush.hardnessIrhd === undefined
		? faulty({
				field: 'bush.hardnessIrhd',
				message: 'give hardnessIrhd (45 to 70) or shearModulusMPa'
			})
		: shearModulusMPa(bush.hardnessIrhd, 'bush.hardnessIrhd');
}
