/** Joints that come apart in a way of their own: tapers cracked and bolts tapped through under their nut, a clamp spread. */
import { jointId } from '../../assembly/graph.ts';
import type { Corner } from '../../height/corners.ts';
import { isTaper } from '../../layout/shape.ts';
import type { LayoutJoint } from '../../layout/types.ts';
import type { WorkStep } from '../step.ts';
import { lowered } from './make.ts';
import type { Site } from './site.ts';

interface Loosening {
	/** Told apart from others of the corner. */
	tail?: string;
	/** Its boot is renewed with it, so a fork may tear it. */
	renewed?: boolean;
	each?: WorkStep['each'];
}

/**
 * What goes before joints come apart: of tapers the nut proven free by hand and the taper cracked under it, of
 * bolts that rust holds in their sleeve the nut back on for the blow.
 */
export function readied(
	site: Site,
	corner: Corner,
	joints: readonly LayoutJoint[],
	{ tail = '', renewed = false, each = {} }: Loosening = {}
): void {
	const ids = (found: readonly LayoutJoint[]) => found.map(({ key }) => jointId(corner, key));
	const names = (found: readonly LayoutJoint[]) =>
		found.map(({ name }) => lowered(name)).join(', ');
	const rusty = site.rust !== 'none';
	const through = joints.filter(({ leaves }) => rusty && leaves === 'tapped');
	if (through.length) {
		site.at(corner, 'tap-through', through, 'tap', {
			tail,
			title: `Nut back on, flush, and tapped until it moves: ${names(through)}`,
			each: { ...each, joints: ids(through) }
		});
	}
	const found = joints.filter(isTaper);
	if (found.length === 0) return;
	const own = { ...each, joints: ids(found) };
	site.at(corner, 'run-nut', found, 'run', {
		tail,
		title: `Run off and on again by hand, flush: ${names(found)}`,
		each: own
	});
	site.at(corner, 'crack-taper', found, 'crack', {
		tail,
		title: `Tapers cracked with their nuts still on: ${names(found)}`,
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
