import { faulty, ok, type Fault, type Result } from '../result.ts';

export interface CoiloverInput {
	springRateNPerMm: number;
	freeLengthMm: number;
	/** Length with all coils closed. */
	solidLengthMm: number;
	/** Spring (and damper) travel per wheel travel. */
	motionRatio: number;
	/** Sprung load at the wheel. */
	sprungLoadN: number;
	damperStrokeMm: number;
	/** Squeeze of the spring with the damper fully extended; below 0 the spring is loose there. */
	preloadMm: number;
	threadPitchMm: number;
	/** Wanted change of ride height at the wheel, + = up. */
	heightChangeMm?: number;
	/** The body's length is adjusted apart from the perch: turns move the height and keep the preload. */
	bodyLengthAdjuster?: boolean;
}

type BindVerdict = 'clear' | 'within-margin' | 'coil-bound';

export interface CoiloverResult {
	springForceN: number;
	/** The preload alone is more than the car's weight: the damper stands fully extended. */
	toppedOut: boolean;
	/** The spring cannot carry the car inside the stroke. */
	bottomedOut: boolean;
	damperFromExtendedMm: number;
	droopAtWheelMm: number;
	bumpAtWheelMm: number;
	/** Spring length at full bump over its solid length. */
	bindMarginMm: number;
	bind: BindVerdict;
	looseAtDroop: boolean;
	/** Turns of the collar (or of the body) for the wanted height, + = up. */
	turnsForHeight?: number;
	/** Preload after those turns. */
	preloadAfterMm?: number;
}

/** Least length at full bump, as a share of the solid length: common practice, no source. */
const bindMargin = 1.05;

/** A coilover in its travel: where the damper stands, what is left each way, turns for a height. */
export function coilover(input: CoiloverInput): Result<CoiloverResult> {
	const { springRateNPerMm: k, motionRatio: ratio, preloadMm, damperStrokeMm: stroke } = input;
	const faults: Fault[] = [];
	if (input.solidLengthMm >= input.freeLengthMm) {
		faults.push({
			field: 'solidLengthMm',
			value: input.solidLengthMm,
			message: `must be less than freeLengthMm (${input.freeLengthMm})`
		});
	}
	if (preloadMm >= input.freeLengthMm - input.solidLengthMm) {
		faults.push({
			field: 'preloadMm',
			value: preloadMm,
			message: 'closes all coils before the car stands on the spring'
		});
	}
	const springForceN = input.sprungLoadN / ratio;
	const position = springForceN / k - preloadMm;
	const { heightChangeMm } = input;
	if (position < 0 && (heightChangeMm ?? 0) > 0 && !input.bodyLengthAdjuster) {
		faults.push({
			field: 'heightChangeMm',
			value: heightChangeMm,
			message: 'cannot be up: the damper stands fully extended, more preload lifts nothing'
		});
	}
	if (faults.length) return faulty(...faults);
	const damperFromExtendedMm = Math.min(Math.max(position, 0), stroke);
	const atFullBump = input.freeLengthMm - preloadMm - stroke;
	const bindMarginMm = atFullBump - input.solidLengthMm;
	// A topped-out damper moves only once the collar has gone down by what the preload has too much.
	const slack =
		position < 0 && (heightChangeMm ?? 0) < 0 && !input.bodyLengthAdjuster ? position : 0;
	const perchMm = (heightChangeMm ?? 0) * ratio + slack;
	return ok({
		springForceN,
		toppedOut: position < 0,
		bottomedOut: position > stroke,
		damperFromExtendedMm,
		droopAtWheelMm: damperFromExtendedMm / ratio,
		bumpAtWheelMm: (stroke - damperFromExtendedMm) / ratio,
		bindMarginMm,
		bind:
			bindMarginMm < 0
				? 'coil-bound'
				: atFullBump < bindMargin * input.solidLengthMm
					? 'within-margin'
					: 'clear',
		looseAtDroop: preloadMm < 0,
		...(heightChangeMm !== undefined && {
			turnsForHeight: perchMm / input.threadPitchMm,
			preloadAfterMm: input.bodyLengthAdjuster ? preloadMm : preloadMm + perchMm
		})
	});
}
