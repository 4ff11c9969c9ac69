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
	/** The load was read on scales under the wheels and is not the maker's: it is known four times better. */
	weighed?: boolean;
	/** At the spring, at the height before. */
	motionRatio: number;
	/** Motion ratio gained per mm of bump; 0 if absent. */
	motionRatioPerMm?: number;
	/** As it was sold; not needed where its length under the car was measured. */
	oldSpring?: SpringAsSold;
	/**
	 * Seat to seat under the car at the height before, mm: what the old spring has lost, its rate and its free length
	 * are in it, whatever it was sold as.
	 */
	oldSpringLengthMm?: number;
	newSpring: SpringAsSold;
	/** Push of the damper's gas, N: none where it is dead, 80 to 150 twin tube, 150 to 400 single tube. 0 if absent. */
	gasForceOldN?: number;
	gasForceNewN?: number;
	/** Of the damper; that of the spring if absent. */
	damperMotionRatio?: number;
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
 * to a few percent, lengths to a millimetre or two; a corner load without scales to 4 %, with scales to 1 %. What a new
 * spring carries at its length is the most of what is left: at 140 mm of deflection 3 % of its rate are 4 mm, and no
 * reading of the old one tells it.
 */
export function usualPredictUncertainty(input: PredictHeightInput): Uncertainty {
	return {
		heightBeforeMm: 1,
		sprungLoadN: (input.weighed ? 0.01 : 0.04) * input.sprungLoadN,
		motionRatio: 0.02 * input.motionRatio,
		...(input.oldSpringLengthMm !== undefined
			? { oldSpringLengthMm: 1.5 }
			: input.oldSpring && {
					'oldSpring.rateNPerMm': 0.03 * input.oldSpring.rateNPerMm,
					// A spring that has been under a car has lost 0 to 10 mm.
					'oldSpring.freeLengthMm': 4
				}),
		...(input.gasForceOldN !== undefined && { gasForceOldN: 40 }),
		...(input.gasForceNewN !== undefined && { gasForceNewN: 30 }),
		'newSpring.rateNPerMm': 0.03 * input.newSpring.rateNPerMm,
		'newSpring.freeLengthMm': 1.5,
		seatChangeMm: 0.5,
		// Half of 3 to 8 mm taken as two standard deviations.
		settlingMm: 1.25
	};
}

/** A spring pressed together by more than this share of its free length has no coils left. */
const mostDeflection = 0.85;

/**
 * Where the car will stand with a new spring. Each spring carries the load at the wheel over the motion ratio, less
 * what the damper's gas pushes, so the body rises by what the new one stands longer, over the motion ratio. With a
 * ratio that changes over travel the balance k·(L₀ − L(Δh)) = F(Δh) is solved by Newton, L(Δh) being the integral
 * of the ratio.
 */
export function predictHeight(input: PredictHeightInput): Result<PredictHeightResult> {
	const { sprungLoadN: load, motionRatio: ratio, motionRatioPerMm: gain = 0 } = input;
	const { oldSpring, newSpring, gasForceOldN = 0, gasForceNewN = 0 } = input;
	const damper = input.damperMotionRatio ?? ratio;
	/** What the spring itself carries where its motion ratio is such. */
	const carried = (gasN: number, here = ratio) => (load - gasN * damper) / here;
	if (!oldSpring && input.oldSpringLengthMm === undefined) {
		return faulty({
			field: 'oldSpringLengthMm',
			message: 'is needed, or the old spring as it was sold: the new one is held against it'
		});
	}
	const faults: Fault[] = [];
	for (const [name, gasN] of [
		['oldSpring', gasForceOldN],
		['newSpring', gasForceNewN]
	] as const) {
		const spring = input[name];
		if (!spring || (name === 'oldSpring' && input.oldSpringLengthMm !== undefined)) continue;
		const force = carried(gasN);
		const deflection = force / spring.rateNPerMm;
		if (!(deflection <= mostDeflection * spring.freeLengthMm)) {
			faults.push({
				field: `${name}.rateNPerMm`,
				value: spring.rateNPerMm,
				message: `cannot carry the car: ${force.toFixed(0)} N would press this spring together by ${deflection.toFixed(0)} of its ${spring.freeLengthMm} mm; check rate, load and motion ratio`
			});
		}
	}
	const oldLength =
		input.oldSpringLengthMm ??
		oldSpring!.freeLengthMm - carried(gasForceOldN) / oldSpring!.rateNPerMm;
	if (oldSpring && !(oldLength < oldSpring.freeLengthMm)) {
		faults.push({
			field: 'oldSpringLengthMm',
			value: oldLength,
			message: `must be less than the old spring’s free length (${oldSpring.freeLengthMm} mm): it carries the car`
		});
	}
	if (faults.length) return faulty(...faults);
	const freeAbove = newSpring.freeLengthMm + input.seatChangeMm;
	let rise = (freeAbove - carried(gasForceNewN) / newSpring.rateNPerMm - oldLength) / ratio;
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
		const force = carried(gasForceNewN, here);
		const excess = newSpring.rateNPerMm * (freeAbove - length) - force;
		const slope = -newSpring.rateNPerMm * here - (force * gain) / here;
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
		newSpringLengthMm:
			newSpring.freeLengthMm - carried(gasForceNewN, ratio - gain * rise) / newSpring.rateNPerMm
	});
}
