/** Joints that come apart at a corner, by what they are to it. */
import type { Corner } from '../../height/corners.ts';
import { damperEnd, partOf, springArm } from '../../layout/shape.ts';
import type { LayoutJoint } from '../../layout/types.ts';
import { airJoints } from './air.ts';
import type { Site } from './site.ts';

export type Groups = Record<
	| 'air'
	| 'lines'
	| 'top'
	| 'bottom'
	| 'holder'
	| 'knuckle'
	| 'brackets'
	| 'arms'
	| 'subframe'
	| 'calipers'
	| 'discs'
	| 'hubs',
	LayoutJoint[]
>;

function split<T>(list: readonly T[], is: (one: T) => boolean): [T[], T[]] {
	return [list.filter(is), list.filter((one) => !is(one))];
}

/** Joints that come apart at a corner, by what they are to it; links of the bar go with both sides. */
export function groups(site: Site, corner: Corner) {
	const { layout, plan } = site;
	const joints = site.offAt(corner).filter(({ pair }) => !pair);
	const [air, rest] = split(joints, (joint) => airJoints(layout).includes(joint));
	const [lines, parts] = split(rest, site.isLine);
	const [top, more] = split(parts, (joint) => damperEnd(layout, 'top').includes(joint));
	const [bottom, ends] = split(more, (joint) => damperEnd(layout, 'bottom').includes(joint));
	const [calipers, shafts] = split(ends, ({ between }) =>
		between.some((key) => partOf(layout, key)?.kind === 'caliper')
	);
	const [discs, driven] = split(shafts, ({ between }) =>
		between.some((key) => partOf(layout, key)?.kind === 'disc')
	);
	const [hubs, other] = split(driven, ({ kind }) => kind === 'hub-nut');
	const arm = springArm(layout)?.key;
	const [brackets, mounted] = split(other, ({ between }) =>
		between.some((key) => partOf(layout, key)?.kind === 'bar')
	);
	const [subframe, hung] = split(
		mounted,
		({ between }) =>
			between.some((key) => partOf(layout, key)?.kind === 'subframe') && between.includes('body')
	);
	const [arms, others] = split(hung, (joint) => site.isOfArmOut(joint));
	const [holder, knuckle] = split(
		others,
		({ between }) => plan.springWay !== undefined && arm !== undefined && between.includes(arm)
	);
	return {
		air,
		lines,
		top,
		bottom,
		holder,
		knuckle,
		brackets,
		arms,
		subframe,
		calipers,
		discs,
		hubs
	};
}
