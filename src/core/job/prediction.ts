/** A target predicted from the new spring: shared by the form that asks and the server that keeps it. */
import type { PredictHeightInput } from '../car/predict-height.ts';
import type { SchoolKey } from '../height/schools.ts';

/** What is asked for, by the name of its entry, in SI. */
export interface PredictionEntries {
	sprungLoad: number;
	/** The load was read on scales: 1, and absent where it was not. */
	weighed?: number;
	motionRatio: number;
	/** Not needed where the old spring was measured under the car. */
	oldRate?: number;
	oldFreeLength?: number;
	/** Seat to seat, at the height before. */
	oldLength?: number;
	newRate: number;
	newFreeLength: number;
	seatChange: number;
	settling: number;
	gasOld?: number;
	gasNew?: number;
}

/** What may be left out: of the old spring its length under the car, or what it was sold as. */
export const optionalEntries: readonly (keyof PredictionEntries)[] = [
	'weighed',
	'oldLength',
	'oldRate',
	'oldFreeLength',
	'gasOld',
	'gasNew'
];

export const predictionInput = (e: PredictionEntries, beforeMm: number): PredictHeightInput => ({
	heightBeforeMm: beforeMm,
	sprungLoadN: e.sprungLoad,
	...(e.weighed && { weighed: true }),
	motionRatio: e.motionRatio,
	...(e.oldRate !== undefined &&
		e.oldFreeLength !== undefined && {
			oldSpring: { rateNPerMm: e.oldRate, freeLengthMm: e.oldFreeLength }
		}),
	...(e.oldLength !== undefined && { oldSpringLengthMm: e.oldLength }),
	...(e.gasOld !== undefined && { gasForceOldN: e.gasOld }),
	...(e.gasNew !== undefined && { gasForceNewN: e.gasNew }),
	newSpring: { rateNPerMm: e.newRate, freeLengthMm: e.newFreeLength },
	seatChangeMm: e.seatChange,
	settlingMm: e.settling
});

/** Entry that a fault of the computation means. */
export const predictionEntry: Readonly<Record<string, keyof PredictionEntries>> = {
	sprungLoadN: 'sprungLoad',
	motionRatio: 'motionRatio',
	'oldSpring.rateNPerMm': 'oldRate',
	'newSpring.rateNPerMm': 'newRate',
	'oldSpring.freeLengthMm': 'oldFreeLength',
	oldSpringLengthMm: 'oldLength',
	gasForceOldN: 'gasOld',
	gasForceNewN: 'gasNew',
	'newSpring.freeLengthMm': 'newFreeLength'
};

/** A change of hub to arch is a change of these heights too; a pivot difference moves by the arm's ratio. */
export const predictable = (school: SchoolKey): boolean => school !== 'pivot-difference';
