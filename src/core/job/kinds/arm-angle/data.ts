import type { InclinometerReading } from '../../../instrument/inclinometer.ts';

/** Subject the corner and its arm, `FL/lower`: the arm's angle over level at one height of its wheel. */
export interface Data {
	hubToArchMm: number;
	entered: string;
	readings: InclinometerReading[];
	/** Smallest step of the instrument, degrees. */
	resolutionDeg: number;
	/** Laid on by itself, or read from another instrument and typed. */
	by: 'phone' | 'typed';
	/** Takes back what it corrects. */
	withdrawn: boolean;
}
