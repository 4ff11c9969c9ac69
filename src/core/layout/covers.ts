/** Covers that cars have over their joints. Names, fasteners and traps are common practice, no source. */
import type { Axle } from '../height/corners.ts';
import { damperEnd } from './shape.ts';
import type { Layout, LayoutCover } from './types.ts';
import catalogue from './covers.json' with { type: 'json' };

/** What a cover is over, of any layout. */
export type CoverReach = 'top' | 'bottom' | 'pivots' | 'none';

type KnownCover = Omit<LayoutCover, 'over'> & { axles: readonly Axle[]; over: CoverReach };

const known = catalogue as unknown as readonly KnownCover[];

/** Joints of a layout by what lies over them: an end of the damper, or what is bolted to the body. */
export function jointsAt(layout: Layout, reach: CoverReach): string[] {
	if (reach === 'none') return [];
	const joints =
		reach === 'pivots'
			? layout.joints.filter(
					({ place, between, kind }) =>
						kind !== 'cushion' &&
						(place === 'lower-pivot' || place === 'tie-rod-inner') &&
						between.includes('body')
				)
			: damperEnd(layout, reach);
	return joints.map(({ key }) => key);
}

/** Every cover that a car of this layout may have, the usual ones first as they are known. */
export const coversOf = (layout: Layout, axle: Axle): LayoutCover[] =>
	known.filter(({ axles }) => axles.includes(axle)).map((cover) => fitted(cover, layout));

function fitted({ axles: _, over, ...cover }: KnownCover, layout: Layout): LayoutCover {
	return { ...cover, over: jointsAt(layout, over) };
}
