/** Joints that come apart in a way of their own: tapers are cracked with their nut on, a clamp is spread. */
import { jointId } from '../../assembly/graph.ts';
import type { Corner } from '../../height/corners.ts';
import { isTaper } from '../../layout/shape.ts';
import type { LayoutJoint } from '../../layout/types.ts';
import type { WorkStep } from '../step.ts';
import { lowered } from './make.ts';
import type { Site } from './site.ts';

interface Taper {
	/** Told apart from other tapers of the corner. */
	tail?: string;
	/** Its boot is renewed with it, so a fork may tear it. */
	renewed?: boolean;
	each?: WorkStep['each'];
}

/** The tapers among joints that come apart: each nut proven free by hand, then the taper cracked under it. */
export function tapers(
	site: Site,
	corner: Corner,
	joints: readonly LayoutJoint[],
	{ tail = '', renewed = false, each = {} }: Taper = {}
): void {
	const found = joints.filter(isTaper);
	if (found.length === 0) return;
	const names = found.map(({ name }) => lowered(name)).join(', ');
	const own = { ...each, joints: found.map(({ key }) => jointId(corner, key)) };
	site.at(corner, 'run-nut', found, 'run', {
		tail,
		title: `Run off and on again by hand, flush: ${names}`,
		each: own
	});
	site.at(corner, 'crack-taper', found, 'crack', {
		tail,
		title: `Tapers cracked with their nuts still on: ${names}`,
		tool: renewed ? 'Joint splitter, or a fork: boots are renewed' : 'Joint splitter, no fork',
		each: own
	});
}

/** The clamp of a strut, spread once its bolt is out, and closed when the strut is home. */
export function clamp(site: Site, corner: Corner, joints: readonly LayoutJoint[]): void {
	const found = joints.filter(({ kind }) => kind === 'clamp');
	if (found.length === 0 || !site.plan.damperOut) return;
	site.add('spread', corner, [corner], {
		acts: found.map(({ key }) => ({ do: 'spread', corner, joint: key })),
		joints: found.map(({ key }) => ({ corner, key })),
		each: { joints: found.map(({ key }) => jointId(corner, key)) }
	});
	site.add('unspread', corner, [corner], {
		acts: found.map(({ key }) => ({ do: 'unspread', corner, joint: key })),
		joints: found.map(({ key }) => ({ corner, key }))
	});
}
