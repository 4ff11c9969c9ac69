import { faulty, ok, type Fault, type Result } from '../result.ts';
import type { Uncertainty } from '../uncertainty/band.ts';

interface SpringAsSold {
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
}

export interface PredictHeightResult {
	/** Before it settles. */
	newHeightMm: number;
	settledHeightMm: number;
	/** Settled height minus height before. */
	changeMm: number;
	/** Length of each spring under the car. */
	oldSpringLengthMm: number;
	newSpringLengthMm: number;
}

/** New springs lose 3 to 8 mm in the first weeks: common practice, no source. The middle of it. */
export const usualSettlingMm = 5;

/**
 * Standard uncertainties taken when none are given: own choice, to be measured. Rates as sold are good
 * to a few percent, lengths to a millimetre or two; a corner load without scales to 4 %.
 */
export function usualPredictUncertainty(input: PredictHeightInput): Uncertainty {
	return {
		heightBeforeMm: 1,
		sprungLoadN: 0.04 * input.sprungLoadN,
		motionRatio: 0.02 * input.motionRatio,
		'oldSpring.rateNPerMm': 0.03 * input.oldSpring.rateNPerMm,
		'newSpring.rateNPerMm': 0.03 * input.newSpring.rateNPerMm,
		'oldSpring.freeLengthMm': 1.5,
		'newSpring.freeLengthMm': 1.5,
		seatChangeMm: 0.5,
		// Half of 3 to 8 mm taken as two standard deviations.
		settlingMm: 1.25
	};
}

/** A spring pressed together by more than this share of its free length has no coils left. */
const mostDeflection = 0.85;

/**
 * Where the car will stand with a new spring. Both springs carry W/MR, so the body rises by what the new
 * one stands longer, over the motion ratio. With a ratio that changes over travel the balance
 * k·(L₀ − L(Δh)) = W/MR(Δh) is solved by Newton, L(Δh) being the integral of the ratio.
 */
export function predictHeight(input: PredictHeightInput): Result<PredictHeightResult> {
	const { sprungLoadN: load, motionRatio: ratio, motionRatioPerMm: gain = 0 } = input;
	const { oldSpring, newSpring } = input;
	const faults: Fault[] = [];
	for (const name of ['oldSpring', 'newSpring'] as const) {
		const { freeLengthMm, rateNPerMm } = input[name];
		const deflection = load / ratio / rateNPerMm;
		if (!(deflection <= mostDeflection * freeLengthMm)) {
			faults.push({
				field: `${name}.rateNPerMm`,
				value: rateNPerMm,
				message: `cannot carry the car: ${(load / ratio).toFixed(0)} N would press this spring together by ${deflection.toFixed(0)} of its ${freeLengthMm} mm; check rate, load and motion ratio`
			});
		}
	}
	if (faults.length) return faulty(...faults);
	const oldLength = oldSpring.freeLengthMm - load / ratio / oldSpring.rateNPerMm;
	const freeAbove = newSpring.freeLengthMm + input.seatChangeMm;
	let rise = (freeAbove - load / ratio / newSpring.rateNPerMm - oldLength) / ratio;
	for (let i = 0; i < 20 && gain !== 0; i++) {
		// Up is droop, where the ratio is smaller by `gain` per mm.
		const here = ratio - gain * rise;
		if (!(here > 0.05)) {
			return faulty({
				field: 'motionRatioPerMm',
				value: gain,
				message: 'takes the motion ratio to nothing inside this change of height; check it'
			});
		}
		const length = oldLength + ratio * rise - (gain * rise * rise) / 2;
		const excess = newSpring.rateNPerMm * (freeAbove - length) - load / here;
		const slope = -newSpring.rateNPerMm * here - (load * gain) / (here * here);
		const step = excess / slope;
		rise -= step;
		if (Math.abs(step) < 1e-10) break;
	}
	const newHeightMm = input.heightBeforeMm + rise;
	return ok({
		newHeightMm,
		settledHeightMm: newHeightMm - input.settlingMm,
		changeMm: rise - input.settlingMm,
		oldSpringLengthMm: oldLength,
		newSpringLengthMm: newSpring.freeLengthMm - load / (ratio - gain * rise) / newSpring.rateNPerMm
	});
}
