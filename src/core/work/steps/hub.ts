/** What stands on the knuckle and comes off it only by a way that wants it: the caliper, and the drive shaft in its hub. */
import { jointId } from '../../assembly/graph.ts';
import type { Corner } from '../../height/corners.ts';
import type { LayoutJoint } from '../../layout/types.ts';
import type { WorkStep } from '../step.ts';
import type { Site } from './site.ts';

/** The caliper off and hung with its piston back, and on again. */
export function caliper(
	site: Site,
	corner: Corner,
	bolts: readonly LayoutJoint[],
	holds: WorkStep['each']
): void {
	if (bolts.length === 0) return;
	const joints = bolts.map(({ key }) => jointId(corner, key));
	site.add('piston-back', corner, [corner], { acts: [{ do: 'piston-back', corner }] });
	site.at(corner, 'caliper-off', bolts, 'undo', { each: { joints, ...holds } });
	site.at(corner, 'caliper-on', bolts, 'start', { each: { joints, frees: joints } });
}

/** The disc off behind its caliper, and on before it. */
export function disc(
	site: Site,
	corner: Corner,
	screws: readonly LayoutJoint[],
	calipers: readonly LayoutJoint[]
): void {
	if (screws.length === 0) return;
	const ids = (joints: readonly LayoutJoint[]) => joints.map(({ key }) => jointId(corner, key));
	const joints = ids(screws);
	site.at(corner, 'disc-off', screws, 'undo', { each: { joints, frees: ids(calipers) } });
	const frees = [...joints, ...ids(calipers)];
	site.at(corner, 'disc-on', screws, 'start', { each: { joints, frees } });
}

/** The hub nut, eased while the wheels hold the car, its shaft proven free, and tight on the ground again. */
export function hubNut(site: Site, corner: Corner, nuts: readonly LayoutJoint[]): void {
	if (nuts.length === 0) return;
	const each = { joints: nuts.map(({ key }) => jointId(corner, key)) };
	site.at(corner, 'ease-hub', nuts, 'ease', { each });
	site.at(corner, 'hub-off', nuts, 'undo', { each });
	site.at(corner, 'hub-on', nuts, 'start', { each: { ...each, frees: each.joints } });
	site.at(corner, 'hub-tight', nuts, 'tighten', { each });
}
