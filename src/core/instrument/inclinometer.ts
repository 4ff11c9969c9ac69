/** An angle read as with a level: laid on, turned end for end and read again, the mean of both. */
import { summarize } from '../statistics/summary.ts';
import { faulty, ok, type Result } from '../result.ts';

const mean = (values: readonly number[]) => summarize(values).mean;

/** One reading as the instrument shows it. */
export interface InclinometerReading {
	/** Over level, + where its marked end points up. */
	deg: number;
	/** Turned end for end: its own zero shows with the other sign. */
	turned: boolean;
}

export interface ArmAngle {
	/** Over level, + where the marked end's side of the first position points up. */
	deg: number;
	/** Half-width of its 95 % band. */
	expandedDeg: number;
	/** What the instrument shows on a level; undefined where it was not turned, and is then part of the band. */
	zeroDeg?: number;
}

/** A zero that nobody has taken out, of a phone or a cheap inclinometer: standard deviation, degrees. Common practice, no source. */
const usualZeroDeg = 0.3;
/** Laid on a rough arm again, it lies otherwise by so much: standard deviation, degrees. Own choice. */
const usualLayDeg = 0.15;

/**
 * Readings of one position of an arm. The band: how the instrument counts (a rectangle of one step, GUM 4.3.7),
 * how it lies each time (as the readings scatter, at least the usual), and its zero where it was never turned.
 *
 * @param resolutionDeg its smallest step, 0.01 to 1°
 */
export function laidAngle(
	readings: readonly InclinometerReading[],
	resolutionDeg: number
): Result<ArmAngle> {
	if (readings.length === 0) {
		return faulty({ field: 'readings', message: 'read the angle at least once' });
	}
	const steep = readings.findIndex(({ deg }) => !(Math.abs(deg) <= 60));
	if (steep >= 0) {
		return faulty({
			field: `readings.${steep}.deg`,
			value: readings[steep]!.deg,
			message: 'must lie between −60 and 60°: an arm does not stand steeper'
		});
	}
	const there = readings.filter(({ turned }) => !turned).map(({ deg }) => deg);
	const back = readings.filter(({ turned }) => turned).map(({ deg }) => -deg);
	const both = there.length > 0 && back.length > 0;
	const deg = both ? (mean(there) + mean(back)) / 2 : mean([...there, ...back]);
	const zeroDeg = both ? (mean(there) - mean(back)) / 2 : undefined;
	// About the mean of its own direction: the zero is no scatter.
	const off = [there, back].flatMap((side) => side.map((value) => value - mean(side)));
	const free = readings.length - (both ? 2 : 1);
	const own = free > 0 ? Math.sqrt(off.reduce((sum, x) => sum + x * x, 0) / free) : 0;
	const once = Math.hypot(Math.max(own, usualLayDeg), resolutionDeg / Math.sqrt(12));
	const share = both
		? Math.hypot(0.5 / Math.sqrt(there.length), 0.5 / Math.sqrt(back.length))
		: 1 / Math.sqrt(readings.length);
	const u = Math.hypot(once * share, both ? 0 : usualZeroDeg);
	return ok({ deg, expandedDeg: 2 * u, ...(zeroDeg !== undefined && { zeroDeg }) });
}

/**
 * What a bush turned between two positions of its arm, no geometry assumed.
 *
 * @param sameInstrument laid the same way both times it shows the same zero, which falls out
 */
export function turnBetween(
	from: ArmAngle,
	to: ArmAngle,
	sameInstrument: boolean
): { deg: number; expandedDeg: number } {
	const sameZero =
		sameInstrument && from.zeroDeg === undefined && to.zeroDeg === undefined ? usualZeroDeg : 0;
	const squares = [from, to].map(({ expandedDeg }) => (expandedDeg / 2) ** 2 - sameZero ** 2);
	return {
		deg: to.deg - from.deg,
		expandedDeg: 2 * Math.sqrt(squares.reduce((sum, square) => sum + Math.max(0, square), 0))
	};
}
