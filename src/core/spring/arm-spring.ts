import { faulty, ok, type Result } from '../result.ts';

export interface ArmSpringInput {
	rateNPerMm: number;
	freeLengthMm: number;
	/** Length with the arm at full droop, damper still on. */
	droopLengthMm: number;
	/** Spring length gained per mm the jack goes down, above 0. */
	lengthPerJackMm: number;
}

export interface ArmSpringResult {
	droopForceN: number;
	droopEnergyJ: number;
	/** Jack travel from full droop until the spring is loose; 0 when it already is. */
	freeAfterMm: number;
	rows: { jackDownMm: number; springForceN: number; jackForceN: number; energyJ: number }[];
}

/**
 * A separate coil on an arm that a jack lets down: force and energy left in it at full droop, how far
 * the jack must go down until it is free, and both on the way. Linear spring, constant lever.
 */
export function armSpring(input: ArmSpringInput): Result<ArmSpringResult> {
	const { rateNPerMm: k, freeLengthMm, droopLengthMm, lengthPerJackMm: lever } = input;
	if (droopLengthMm > freeLengthMm * 1.5) {
		return faulty({
			field: 'droopLengthMm',
			value: droopLengthMm,
			message: `is far over freeLengthMm (${freeLengthMm}): is one of them in another unit?`
		});
	}
	const squeeze = Math.max(0, freeLengthMm - droopLengthMm);
	const freeAfterMm = squeeze / lever;
	const steps = 10;
	return ok({
		droopForceN: k * squeeze,
		droopEnergyJ: (0.5 * k * squeeze ** 2) / 1000,
		freeAfterMm,
		rows: Array.from({ length: squeeze > 0 ? steps + 1 : 1 }, (_, i) => {
			const jackDownMm = (freeAfterMm * i) / steps;
			const left = squeeze * (1 - i / steps);
			return {
				jackDownMm,
				springForceN: k * left,
				jackForceN: k * left * lever,
				energyJ: (0.5 * k * left ** 2) / 1000
			};
		})
	});
}
