import { faulty, ok, type Fault, type Result } from '../result.ts';
import { propagate } from '../uncertainty/linear.ts';
import {
	sampleModel,
	type MonteCarloOptions,
	type MonteCarloResult
} from '../uncertainty/monte-carlo.ts';

export interface SpringAsSold {
	rateNPerMm: number;
	freeLengthMm: number;
}

export interface PredictHeightInput {
	/** Hub to arch with the old spring. */
	heightBeforeMm: number;
	/** Sprung load at the wheel. */
	sprungLoadN: number;
	/** At the spring, at the height before. */
	motionRatio: number;
	/** Motion ratio gained per mm of bump; 0 if absent. */
	motionRatioPerMm?: number;
	oldSpring: SpringAsSold;
	newSpring: SpringAsSold;
	/** How much higher the new parts seat the spring: perch, top mount and pad together, mm. */
	seatChangeMm: number;
	/** Height expected to be lost by settling, at the wheel, mm. */
	settlingMm: number;
	uncertainty: {
		heightBeforeMm: number;
		/** Of the load, as a share: 0.05 is 5 %. */
		sprungLoadRelative: number;
		motionRatio: number;
		/** Of each rate, as a share. */
		rateRelative: number;
		freeLengthMm: number;
		seatChangeMm: number;
		settlingMm: number;
	};
}

/** The names in the order of `values`; every input that is not known exactly. */
export const predictInputs = [
	'heightBeforeMm',
	'sprungLoadN',
	'motionRatio',
	'oldRateNPerMm',
	'newRateNPerMm',
	'oldFreeLengthMm',
	'newFreeLengthMm',
	'seatChangeMm',
	'settlingMm'
] as const;

/** Value and standard uncertainty of each input, in the order of `predictInputs`. */
export function predictUncertain(input: PredictHeightInput): { value: number; u: number }[] {
	const { oldSpring, newSpring, uncertainty: u } = input;
	return [
		{ value: input.heightBeforeMm, u: u.heightBeforeMm },
		{ value: input.sprungLoadN, u: input.sprungLoadN * u.sprungLoadRelative },
		{ value: input.motionRatio, u: u.motionRatio },
		{ value: oldSpring.rateNPerMm, u: oldSpring.rateNPerMm * u.rateRelative },
		{ value: newSpring.rateNPerMm, u: newSpring.rateNPerMm * u.rateRelative },
		{ value: oldSpring.freeLengthMm, u: u.freeLengthMm },
		{ value: newSpring.freeLengthMm, u: u.freeLengthMm },
		{ value: input.seatChangeMm, u: u.seatChangeMm },
		{ value: input.settlingMm, u: u.settlingMm }
	];
}

/**
 * Settled height from the values alone, mm. Both springs carry W/MR; the body rises by what the new
 * spring stands longer, over the motion ratio. With a ratio that changes over travel the balance
 * k·(L₀ − L(Δh)) = W/MR(Δh) is solved by Newton, L(Δh) being the integral of the ratio.
 */
export function settledHeight(values: readonly number[], ratioPerMm = 0): number | undefined {
	const [before, load, ratio, oldRate, newRate, oldFree, newFree, seat, settling] =
		values as readonly [number, number, number, number, number, number, number, number, number];
	if (!(ratio > 0 && oldRate > 0 && newRate > 0)) return undefined;
	const oldLength = oldFree - load / ratio / oldRate;
	let rise = (newFree + seat - load / ratio / newRate - oldLength) / ratio;
	for (let i = 0; i < 20 && ratioPerMm !== 0; i++) {
		// Up is droop, where the ratio is smaller by ratioPerMm per mm.
		const here = ratio - ratioPerMm * rise;
		if (!(here > 0.05)) return undefined;
		const length = oldLength + ratio * rise - (ratioPerMm * rise * rise) / 2;
		const excess = newRate * (newFree + seat - length) - load / here;
		const slope = -newRate * here - (load * ratioPerMm) / (here * here);
		const step = excess / slope;
		rise -= step;
		if (Math.abs(step) < 1e-10) break;
	}
	return Number.isFinite(rise) ? before + rise - settling : undefined;
}

export interface PredictHeightResult {
	/** Before it settles. */
	newHeightMm: number;
	settledHeightMm: number;
	/** Half-width of the 95 % band of the settled height. */
	expandedMm: number;
	changeMm: number;
	/** Length of each spring under the car. */
	oldSpringLengthMm: number;
	newSpringLengthMm: number;
}

/** Where the car will stand with new springs, with its 95 % band (JCGM 100:2008, 5.1.2; factor 2). */
export function predictHeight(input: PredictHeightInput): Result<PredictHeightResult> {
	const faults: Fault[] = [];
	const springForce = input.sprungLoadN / input.motionRatio;
	for (const name of ['oldSpring', 'newSpring'] as const) {
		const { freeLengthMm, rateNPerMm } = input[name];
		if (springForce / rateNPerMm > 0.85 * freeLengthMm) {
			faults.push({
				field: `${name}.rateNPerMm`,
				value: rateNPerMm,
				message: `cannot carry the car: ${springForce.toFixed(0)} N would press this spring together by ${(springForce / rateNPerMm).toFixed(0)} of its ${freeLengthMm} mm; check rate, load and motion ratio`
			});
		}
	}
	if (faults.length) return faulty(...faults);
	const uncertain = predictUncertain(input);
	const model = (values: readonly number[]) => settledHeight(values, input.motionRatioPerMm);
	const settledHeightMm = model(uncertain.map(({ value }) => value));
	const u = propagate(model, uncertain);
	if (settledHeightMm === undefined || u === undefined) {
		return faulty({
			field: 'motionRatioPerMm',
			value: input.motionRatioPerMm,
			message: 'takes the motion ratio to nothing inside this change of height; check it'
		});
	}
	const newHeightMm = settledHeightMm + input.settlingMm;
	const changeMm = settledHeightMm - input.heightBeforeMm;
	const rise = newHeightMm - input.heightBeforeMm;
	const ratioThere = input.motionRatio - (input.motionRatioPerMm ?? 0) * rise;
	return ok({
		newHeightMm,
		settledHeightMm,
		expandedMm: 2 * u,
		changeMm,
		oldSpringLengthMm: input.oldSpring.freeLengthMm - springForce / input.oldSpring.rateNPerMm,
		newSpringLengthMm:
			input.newSpring.freeLengthMm - input.sprungLoadN / ratioThere / input.newSpring.rateNPerMm
	});
}

/** The same prediction by Monte Carlo: for when a linear band is doubted. */
export function samplePredictedHeight(
	input: PredictHeightInput,
	options: MonteCarloOptions
): Generator<number, MonteCarloResult> {
	return sampleModel(
		(values) => settledHeight(values, input.motionRatioPerMm),
		predictUncertain(input),
		options
	);
}
