/** A strut or coilover put together: which part on which, and which way round. Common practice, no source. */
import { isStrut, springSeat } from '../layout/shape.ts';
import type { Layout } from '../layout/types.ts';
import { formatNumber } from '../units/format.ts';

export const stackParts = [
	'damper',
	'lower-pad',
	'spring',
	'bump-stop',
	'boot',
	'upper-pad',
	'upper-seat',
	'bearing',
	'mount',
	'washer',
	'shaft-nut'
] as const;
export type StackPart = (typeof stackParts)[number];

export interface StackItem {
	key: StackPart;
	name: string;
	/** Which way it goes, as it is checked. */
	way: string;
	/** A shape for the exploded drawing. */
	shape: 'tube' | 'disc' | 'coil' | 'block' | 'bellows' | 'plate' | 'ring' | 'nut';
}

const items: Readonly<Record<StackPart, Omit<StackItem, 'key'>>> = {
	damper: { name: 'Damper', way: 'Bracket to its mark, shaft fully out', shape: 'tube' },
	'lower-pad': { name: 'Lower spring pad', way: 'Its step under the coil end', shape: 'disc' },
	spring: { name: 'Spring', way: 'Flat coil to the top, end against the step', shape: 'coil' },
	'bump-stop': { name: 'Bump stop', way: 'Taper downward, dry', shape: 'block' },
	boot: { name: 'Dust boot', way: 'Over the stop, its lip in its groove', shape: 'bellows' },
	'upper-pad': { name: 'Upper spring pad', way: 'Its step at the coil end', shape: 'disc' },
	'upper-seat': { name: 'Upper seat', way: 'Arrow outward', shape: 'plate' },
	bearing: { name: 'Top bearing', way: 'Marked side up, turns freely', shape: 'ring' },
	mount: { name: 'Top mount', way: 'Taper to taper, studs to their marks', shape: 'plate' },
	washer: { name: 'Washer', way: 'Cup up', shape: 'ring' },
	'shaft-nut': { name: 'Shaft nut, new', way: 'By hand, the shaft held', shape: 'nut' }
};

/** The assembly of a layout from the bottom up; nothing where no spring sits on the damper. */
export function stackOf(layout: Layout): StackItem[] {
	const steered = isStrut(layout) && layout.joints.some(({ place }) => place === 'tie-rod-outer');
	const leaveOut: StackPart[] = [
		...(springSeat(layout) === 'on-damper'
			? []
			: (['lower-pad', 'spring', 'upper-pad', 'upper-seat'] as const)),
		...(steered ? [] : (['bearing'] as const))
	];
	return stackParts.filter((key) => !leaveOut.includes(key)).map((key) => ({ key, ...items[key] }));
}

export interface StackFault {
	at: number;
	part: StackPart;
	kind: 'missing' | 'swapped' | 'twice' | 'not-of-it';
	words: string;
}

/** What is wrong with parts put together in this order, from the bottom up. */
export function checkStack(layout: Layout, order: readonly StackPart[]): StackFault[] {
	const wanted = stackOf(layout).map(({ key }) => key);
	const faults: StackFault[] = [];
	const name = (part: StackPart) => items[part].name.toLowerCase();
	order.forEach((part, at) => {
		if (!wanted.includes(part)) {
			faults.push({
				at,
				part,
				kind: 'not-of-it',
				words: `the ${name(part)} is not part of this unit`
			});
		} else if (order.indexOf(part) < at) {
			faults.push({ at, part, kind: 'twice', words: `the ${name(part)} is on twice` });
		}
		const above = order.slice(at + 1).find((other) => wanted.indexOf(other) < wanted.indexOf(part));
		if (above && wanted.includes(part) && wanted.includes(above)) {
			faults.push({
				at,
				part,
				kind: 'swapped',
				words: `the ${name(part)} is under the ${name(above)}; it belongs above it`
			});
		}
	});
	const last = Math.max(-1, ...order.map((part) => wanted.indexOf(part)));
	wanted.slice(0, last + 1).forEach((part, at) => {
		if (!order.includes(part)) {
			faults.push({ at, part, kind: 'missing', words: `the ${name(part)} is missing` });
		}
	});
	return faults.sort((a, b) => a.at - b.at);
}

/** Mount to knuckle bracket may be off by this, degrees. Common practice, no source: a mark's width on the rim. */
const clockTolerance = 3;

export interface UnitChecks {
	/** Clock angle of mount to bracket, old and new, degrees; any whole turn apart is the same. */
	clockOldDeg?: number;
	clockNewDeg?: number;
	/** Seconds the shaft takes to come back out, old and new. */
	reboundOldS?: number;
	reboundNewS?: number;
	/** Thread above the shaft nut here and on the other side, mm. */
	threadMm?: number;
	threadOtherMm?: number;
	strokes?: number;
}

export interface UnitVerdict {
	key: 'clock' | 'rebound' | 'thread' | 'strokes';
	ok: boolean;
	words: string;
}

/** A new unit is worked through its stroke so often before fitting. Common practice, no source. */
const primingStrokes = 4;
/** Thread above the nut may differ left to right by this, mm. Own choice: one pitch of the nut. */
const threadTolerance = 1.5;

/** What measurements of a finished unit say; only of what was measured. */
export function checkUnit(checks: UnitChecks): UnitVerdict[] {
	const { clockOldDeg, clockNewDeg, reboundOldS, reboundNewS, threadMm, threadOtherMm, strokes } =
		checks;
	const found: UnitVerdict[] = [];
	if (clockOldDeg !== undefined && clockNewDeg !== undefined) {
		const turned = (((clockNewDeg - clockOldDeg) % 360) + 540) % 360;
		const off = turned - 180;
		const ok = Math.abs(off) <= clockTolerance;
		found.push({
			key: 'clock',
			ok,
			words: ok
				? `mount within ${formatNumber(Math.abs(off), 1)}° of its mark`
				: `mount ${formatNumber(Math.abs(off), 1)}° ${off > 0 ? 'clockwise' : 'anticlockwise'} of its mark; ${clockTolerance}° is allowed: turn it back before the compressor is let off`
		});
	}
	if (strokes !== undefined) {
		const ok = strokes >= primingStrokes;
		found.push({
			key: 'strokes',
			ok,
			words: ok
				? `primed with ${strokes} strokes`
				: `${strokes} of ${primingStrokes} strokes, upright`
		});
	}
	if (reboundOldS !== undefined && reboundNewS !== undefined) {
		const ok = reboundNewS <= reboundOldS * slowerThanOld;
		found.push({
			key: 'rebound',
			ok,
			words: ok
				? `comes out in ${formatNumber(reboundNewS, 1)} s, the old one took ${formatNumber(reboundOldS, 1)} s`
				: `comes out slower than the old one (${formatNumber(reboundNewS, 1)} s against ${formatNumber(reboundOldS, 1)} s): is it the right damper?`
		});
	}
	if (threadMm !== undefined && threadOtherMm !== undefined) {
		const off = threadMm - threadOtherMm;
		const ok = Math.abs(off) <= threadTolerance;
		found.push({
			key: 'thread',
			ok,
			words: ok
				? 'thread above the nut as on the other side'
				: `${formatNumber(Math.abs(off), 1)} mm ${off > 0 ? 'more' : 'less'} thread above the nut than on the other side: a part is missing or not seated`
		});
	}
	return found;
}

/** A new damper that comes out much slower than a tired old one is looked at. Own choice. */
const slowerThanOld = 4;
