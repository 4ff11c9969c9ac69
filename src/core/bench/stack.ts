/**
 * A damper made ready on the bench: which part on which, which way round, and which of them comes from the old
 * one. Common practice, no source.
 */
import { damperEnd, damperOf, isStrut, jointsOf, springSeat } from '../layout/shape.ts';
import type { Layout } from '../layout/types.ts';
import { formatNumber } from '../units/format.ts';
import type { SpringHand } from './spring-fit.ts';

export const stackParts = [
	'damper',
	'jam-nut',
	'perch',
	'thrust-ring',
	'lower-pad',
	'spring',
	'bump-stop',
	'boot',
	'spacer',
	'lower-cup',
	'lower-cushion',
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
	/** Which way it goes, the usual one first; another where the old one shows it. */
	ways: readonly string[];
	/** Not every car has it. */
	optional?: true;
	/** Always new: nothing of the old one is put on. */
	fresh?: true;
	/** A shape for the exploded drawing. */
	shape: 'tube' | 'disc' | 'coil' | 'block' | 'bellows' | 'plate' | 'ring' | 'nut';
}

const items: Readonly<Record<StackPart, Omit<StackItem, 'key'>>> = {
	damper: {
		name: 'Damper',
		ways: ['Bracket to its mark, shaft fully out'],
		shape: 'tube',
		fresh: true
	},
	// A set screw in the perch does for it on some kits.
	'jam-nut': { name: 'Jam nut', ways: ['Shoulder up'], shape: 'ring', optional: true, fresh: true },
	perch: {
		name: 'Perch',
		ways: ['Its seat up, anti-seize on the thread'],
		shape: 'ring',
		fresh: true
	},
	'thrust-ring': {
		name: 'Thrust bearing or washers',
		ways: ['Between perch and spring', 'Between spring and cap'],
		shape: 'ring',
		optional: true,
		fresh: true
	},
	'lower-pad': {
		name: 'Lower spring pad',
		ways: ['Its step under the coil end'],
		shape: 'disc',
		optional: true
	},
	spring: {
		name: 'Spring',
		ways: [
			'Flat coil to the top, end against the step',
			'Flat coil below, end against the step',
			'By its label: read the right way up'
		],
		shape: 'coil'
	},
	'bump-stop': {
		name: 'Bump stop',
		ways: ['Taper downward, dry', 'Taper upward, dry'],
		shape: 'block',
		optional: true
	},
	boot: {
		name: 'Dust boot',
		ways: ['Over the stop, its lip in its groove', 'Its lip in the stop, tied to the body'],
		shape: 'bellows',
		optional: true
	},
	spacer: {
		name: 'Sleeve or spacer',
		ways: ['Runs free on the shaft, shoulder down', 'Runs free on the shaft, shoulder up'],
		shape: 'ring',
		optional: true
	},
	'lower-cup': {
		name: 'Cup below the body',
		ways: ['Hollow to the cushion', 'Flat to the cushion'],
		shape: 'ring'
	},
	'lower-cushion': {
		name: 'Cushion below the body',
		ways: ['Its step up, into the hole', 'Its step down', 'Without a step'],
		shape: 'block'
	},
	'upper-pad': {
		name: 'Upper spring pad',
		ways: ['Its step at the coil end'],
		shape: 'disc',
		optional: true
	},
	'upper-seat': {
		name: 'Upper seat',
		ways: ['Arrow outward', 'To its mark on the mount'],
		shape: 'plate'
	},
	bearing: { name: 'Top bearing', ways: ['Marked side up, turns freely'], shape: 'ring' },
	mount: { name: 'Top mount', ways: ['Taper to taper, studs to their marks'], shape: 'plate' },
	washer: { name: 'Washer', ways: ['Cup up', 'Cup down', 'Flat'], shape: 'ring' },
	'shaft-nut': {
		name: 'Shaft nut, new',
		ways: ['By hand, the shaft held'],
		shape: 'nut',
		fresh: true
	}
};

const ofSpring: readonly StackPart[] = ['lower-pad', 'spring', 'upper-pad', 'upper-seat'];
/** A threaded perch has no pads: its spring stands on the perch and under a cap. */
const ofKit: readonly StackPart[] = ['jam-nut', 'perch', 'thrust-ring'];
const kitSpring = {
	ways: ['By its label: read the right way up', 'Both ends alike'],
	fresh: true
} as const;
const withoutKit: readonly StackPart[] = ['lower-pad', 'upper-pad'];
const ofStem: readonly StackPart[] = ['lower-cup', 'lower-cushion'];
const ofMount: readonly StackPart[] = ['mount', 'washer', 'shaft-nut'];

/** The mount leaves the car on its damper, held by the shaft nut. */
const hasMount = (layout: Layout): boolean =>
	jointsOf(layout, damperOf(layout).key).some(({ bench }) => bench);

/** A stem through a hole with cushions on either side, at the top. */
const hasStem = (layout: Layout): boolean =>
	damperEnd(layout, 'top').some(({ kind }) => kind === 'cushion');

/**
 * What stands on a damper of this layout when it goes into the car, from the bottom up.
 *
 * @param absent parts that this car has not, as somebody saw on the old one
 * @param kit it is a coilover, its spring on a threaded perch
 */
export function stackOf(
	layout: Layout,
	absent: readonly StackPart[] = [],
	kit = false
): StackItem[] {
	const steered = isStrut(layout) && layout.joints.some(({ place }) => place === 'tie-rod-outer');
	const sprung = springSeat(layout) === 'on-damper';
	const leaveOut: readonly StackPart[] = [
		...(sprung ? (['spacer'] as const) : ofSpring),
		...(kit && sprung ? withoutKit : ofKit),
		...(steered ? [] : (['bearing'] as const)),
		...(hasMount(layout) ? [] : ofMount),
		...(hasStem(layout) ? [] : ofStem),
		...absent.filter((key) => items[key].optional)
	];
	return stackParts
		.filter((key) => !leaveOut.includes(key))
		.map((key) => ({ key, ...items[key], ...(kit && key === 'spring' && kitSpring) }));
}

/** What a part on a new damper is: taken from the old one, new, or not there at all on this car. */
export const fates = ['kept', 'renewed', 'none'] as const;
export type Fate = (typeof fates)[number];
/** What may become of a part; nothing to ask of one that every such unit has new. */
export const fatesOf = ({ optional, fresh }: Pick<StackItem, 'optional' | 'fresh'>): Fate[] =>
	fresh && !optional
		? []
		: fates.filter((fate) => (fate !== 'none' || optional) && (fate !== 'kept' || !fresh));
/** What a kit brings where nobody says otherwise, besides what is its own. */
export const kitBrings: readonly StackPart[] = ['bump-stop', 'boot'];

export const fateNames: Readonly<Record<Fate, string>> = {
	kept: 'From the old one',
	renewed: 'New',
	none: 'This car has none'
};

/** Of one part: what became of it, and which way it went on; of a spring the side it is marked for. */
export interface Changed {
	fate: Fate;
	way?: string;
	marked?: SpringHand;
}
export type Changes = Readonly<Partial<Record<StackPart, Changed>>>;

/** Parts that this car has none of. */
export const absentOf = (changes: Changes = {}): StackPart[] =>
	stackParts.filter((key) => changes[key]?.fate === 'none');

/** Names of parts that one side of an axle has and the other has not; a unit is made as its twin. */
export function oneSided(layout: Layout, one: Changes, other: Changes, kit = false): string[] {
	const [here, there] = [absentOf(one), absentOf(other)];
	return stackOf(layout, [], kit)
		.filter(({ key }) => here.includes(key) !== there.includes(key))
		.map(({ name }) => name);
}

export interface StackFault {
	at: number;
	part: StackPart;
	kind: 'missing' | 'swapped' | 'twice' | 'not-of-it';
	words: string;
}

/** What is wrong with parts put together in this order, from the bottom up. */
export function checkStack(
	layout: Layout,
	order: readonly StackPart[],
	absent: readonly StackPart[] = [],
	kit = false
): StackFault[] {
	const wanted = stackOf(layout, absent, kit).map(({ key }) => key);
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
