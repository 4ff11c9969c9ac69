/** What follows from the parts of a layout and is asked in many places. */
import type { Layout, LayoutCover, LayoutJoint, LayoutPart, PartKind } from './types.ts';

export const partOf = (layout: Layout, key: string): LayoutPart | undefined =>
	layout.assembly.parts.find((part) => part.key === key);

const ofKind = (layout: Layout, kind: PartKind): LayoutPart | undefined =>
	layout.assembly.parts.find((part) => part.kind === kind);

/** The damper, strut or coilover of a corner. */
export const damperOf = (layout: Layout): LayoutPart => ofKind(layout, 'damper')!;

/** A strut locates the wheel; its hand and its clamp or bracket matter. */
export const isStrut = (layout: Layout): boolean => damperOf(layout).locates === true;

/** Around the damper; on the arm or axle beside it; or air. */
export function springSeat(layout: Layout): 'on-damper' | 'on-arm' | 'air' {
	const spring = ofKind(layout, 'spring')!;
	if (spring.air) return 'air';
	return spring.between ? 'on-arm' : 'on-damper';
}

/** An air spring beside its damper, with joints of its own. */
export const bellowsOf = (layout: Layout): LayoutPart | undefined => {
	const spring = ofKind(layout, 'spring')!;
	return spring.air && !spring.of ? spring : undefined;
};

/** What holds air, and leaves the car with it; empty where springs are of steel. */
export const airUnit = (layout: Layout): string[] => {
	if (springSeat(layout) !== 'air') return [];
	const bellows = bellowsOf(layout);
	return bellows ? [bellows.key] : unitOf(layout, damperOf(layout).key);
};

/** The arm, axle or beam that a spring beside its damper pushes down. */
export const springArm = (layout: Layout): LayoutPart | undefined => {
	const lower = ofKind(layout, 'spring')?.between?.find((key) => key !== 'body');
	return lower === undefined ? undefined : partOf(layout, lower);
};

/** A driven wheel: the knuckle may not pull the shaft out of its joint. */
export const isDriven = (layout: Layout): boolean => ofKind(layout, 'shaft') !== undefined;

/** A subframe stands on one jack for both sides; an axle on one at each of its ends. */
export const onOneJack = ({ kind }: LayoutPart): boolean => kind === 'subframe';

/** Both wheels are on one beam or axle. */
export const isOneBody = (layout: Layout): boolean =>
	layout.assembly.parts.some(({ kind, shared }) => kind === 'axle' && shared);

/** Parts that leave the car as one with this one: it, and what comes off it on the bench. */
export const unitOf = (layout: Layout, key: string): string[] => [
	key,
	...layout.assembly.parts.filter((part) => part.of === key).map((part) => part.key)
];

/** Joints at one end of the damper, as the corner is drawn. */
export const damperEnd = (layout: Layout, end: 'top' | 'bottom'): LayoutJoint[] => {
	const unit = unitOf(layout, damperOf(layout).key);
	return layout.joints.filter(
		({ place, between, bench }) =>
			!bench && place === `damper-${end}` && between.some((part) => unit.includes(part))
	);
};

/** Links that locate an axle: with two of them off, it rolls. */
export const axleLinks = (layout: Layout): LayoutPart[] =>
	isOneBody(layout)
		? layout.assembly.parts.filter(
				({ key, kind }) =>
					kind === 'arm' &&
					layout.joints.some(({ between }) => between.includes(key) && between.includes('body'))
			)
		: [];

/** Where a cover is reached, and so what is under it, while the car stands on its wheels. */
export const insidePlaces: ReadonlySet<string> = new Set(['boot', 'cabin', 'bonnet']);

/** A cover got at while the car stands on its wheels, with all that lies over it. */
export const isInside = (layout: Layout, { key, where }: LayoutCover): boolean =>
	insidePlaces.has(where) &&
	layout.assembly.covers
		.filter(({ liesOn }) => liesOn?.includes(key))
		.every((above) => isInside(layout, above));

/**
 * A mount on the body that finds its place under the weight, and is got at while it stands on its wheels; nothing
 * with air in it is let settle.
 */
export const findsItsPlace = (
	layout: Layout,
	{ key, between, rule, bench }: LayoutJoint
): boolean =>
	!bench &&
	layout.assembly.covers.every((cover) => !cover.over.includes(key) || isInside(layout, cover)) &&
	rule === 'any-time' &&
	between.includes('body') &&
	between.some((key) => partOf(layout, key)?.kind === 'mount') &&
	springSeat(layout) !== 'air';

/** A tapered stud: cracked loose before it comes out; a drop link has none. */
export const isTaper = ({ kind, pair }: LayoutJoint): boolean => kind === 'ball-joint' && !pair;

export const jointOf = (layout: Layout, key: string): LayoutJoint =>
	layout.joints.find((joint) => joint.key === key)!;

/** Joints of one part, in the order of the layout. */
export const jointsOf = (layout: Layout, part: string): LayoutJoint[] =>
	layout.joints.filter(({ between }) => between.includes(part));
