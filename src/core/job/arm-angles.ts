/** What an arm's angles, read at two heights of its wheel, say of how far its rubber turns: no geometry assumed. */
import { laidAngle, turnBetween } from '../instrument/inclinometer.ts';
import type { Corner } from '../height/corners.ts';
import type { Entry } from './book/entry.ts';
import type { KindData } from './kinds/data.ts';
import type { JobRecord } from './record.ts';

export type WhichArm = 'lower' | 'upper';

/** How well a height beside an angle is taped, mm. Own choice. */
const heightMm = 1;
/** Nearer to each other, two heights say little of a turn, mm. Own choice. */
const leastApartMm = 15;

/** Angles of an arm that stand, oldest first. */
export function armAngles(
	{ entries }: Pick<JobRecord, 'entries'>,
	corner: Corner,
	which: WhichArm
): Entry<'arm-angle'>[] {
	const subject = `${corner}/${which}`;
	const said = entries.filter(
		(entry): entry is Entry<'arm-angle'> => entry.kind === 'arm-angle' && entry.subject === subject
	);
	const gone = new Set(said.map(({ corrects }) => corrects));
	return said.filter(({ id, data }) => !data.withdrawn && !gone.has(id));
}

export interface MeasuredTurn {
	/** Hub to arch of both, the lower wheel last, mm. */
	fromMm: number;
	toMm: number;
	/** How far the arm turned between them, degrees, positive. */
	deg: number;
	/** Half-width of its 95 % band, what the two heights leave open included. */
	expandedDeg: number;
}

/** The two that are farthest apart, each the last that was read there; undefined where no two are far enough. */
export function measuredTurn(
	record: Pick<JobRecord, 'entries'>,
	corner: Corner,
	which: WhichArm
): MeasuredTurn | undefined {
	const read = armAngles(record, corner, which).flatMap(({ data }) => {
		const angle = laidAngle(data.readings, data.resolutionDeg);
		return angle.ok ? [{ data, angle: angle.value }] : [];
	});
	const at = (pick: (a: KindData['arm-angle'], b: KindData['arm-angle']) => boolean) =>
		read.reduce<(typeof read)[number] | undefined>(
			(best, one) => (!best || pick(one.data, best.data) ? one : best),
			undefined
		);
	const high = at((a, b) => a.hubToArchMm <= b.hubToArchMm);
	const low = at((a, b) => a.hubToArchMm >= b.hubToArchMm);
	if (!high || !low || low.data.hubToArchMm - high.data.hubToArchMm < leastApartMm)
		return undefined;
	const turn = turnBetween(high.angle, low.angle, high.data.by === low.data.by);
	const deg = Math.abs(turn.deg);
	const apart = low.data.hubToArchMm - high.data.hubToArchMm;
	const byHeights = (2 * Math.SQRT2 * heightMm * deg) / apart;
	return {
		fromMm: high.data.hubToArchMm,
		toMm: low.data.hubToArchMm,
		deg,
		expandedDeg: Math.hypot(turn.expandedDeg, byHeights)
	};
}

export interface ArmEvidence {
	/** By what the tape's turn is to be multiplied. */
	scale: number;
	/** Standard uncertainty of the turn that is left, of itself. */
	relativeU: number;
	/** The angles and the tape cannot both be right: only the tape counts, and both are read again. */
	disagrees: boolean;
}

/** What is beyond this many standard uncertainties is not by chance. Own choice. */
const beyond = 3;

/**
 * Tape and angles together, each weighed by its inverse variance: two estimates of one turn.
 *
 * @param tapedDeg how far the taped geometry turns between the two heights
 * @param tapedRelativeU its standard uncertainty, of itself
 */
export function weighTurn(
	{ deg, expandedDeg }: Pick<MeasuredTurn, 'deg' | 'expandedDeg'>,
	tapedDeg: number,
	tapedRelativeU: number
): ArmEvidence {
	const taped = Math.abs(tapedDeg);
	const measured = deg / taped;
	const measuredU = expandedDeg / 2 / taped;
	if (Math.abs(measured - 1) > beyond * Math.hypot(measuredU, tapedRelativeU))
		return { scale: 1, relativeU: tapedRelativeU, disagrees: true };
	const [a, b] = [1 / tapedRelativeU ** 2, 1 / measuredU ** 2];
	return { scale: (a + b * measured) / (a + b), relativeU: 1 / Math.sqrt(a + b), disagrees: false };
}
