import { faulty, ok, type Result } from '../result.ts';
import { propagate } from '../uncertainty/linear.ts';
import { bushSet, type BushSetInput, type BushSetResult } from './set.ts';
import { twistVerdict, type TwistVerdict } from './verdict.ts';

/** Standard uncertainty of each taped value, in the value's own unit. */
export interface TapeUncertainty {
	armLengthMm: number;
	outerBelowInnerMm: number;
	setHubToArchMm: number;
	rideHubToArchMm: number;
	/** Relative, of the whole chain rubber → wheel rate: 0.3 means 30 %. */
	stiffnessRelative: number;
}

export interface BushSetBand extends BushSetResult {
	/** Half-width of the 95 % band of the twist, degrees. */
	twistExpandedDeg: number;
	/** Half-width of the 95 % band of the height error, mm. */
	heightErrorExpandedMm: number;
	/** The worst verdict that the band of the twist still allows. */
	worstVerdict: TwistVerdict;
}

/** `bushSet` with the uncertainty of the tape carried to the answer (coverage factor 2). */
export function bushSetBand(input: BushSetInput, u: TapeUncertainty): Result<BushSetBand> {
	const nominal = bushSet(input);
	if (!nominal.ok) return nominal;
	const keys = ['armLengthMm', 'outerBelowInnerMm', 'setHubToArchMm', 'rideHubToArchMm'] as const;
	const tape = keys.map((key) => ({ value: input[key], u: u[key] }));
	const spread = (of: 'twistDeg' | 'heightErrorMm') =>
		propagate((values) => {
			const varied = { ...input, ...Object.fromEntries(keys.map((key, i) => [key, values[i]!])) };
			const result = bushSet(varied);
			return result.ok ? result.value[of] : undefined;
		}, tape);
	const twist = spread('twistDeg');
	const height = spread('heightErrorMm');
	if (twist === undefined || height === undefined) {
		return faulty({
			field: 'armLengthMm',
			value: input.armLengthMm,
			message:
				'the arm stands so steep that its angle cannot be known from these measures: measure arm length and joint drop more closely'
		});
	}
	const stiffness = nominal.value.heightErrorMm * u.stiffnessRelative;
	const twistExpandedDeg = 2 * twist;
	return ok({
		...nominal.value,
		twistExpandedDeg,
		heightErrorExpandedMm: 2 * Math.hypot(height, stiffness),
		worstVerdict: twistVerdict(Math.abs(nominal.value.twistDeg) + twistExpandedDeg, input.limits)
	});
}
