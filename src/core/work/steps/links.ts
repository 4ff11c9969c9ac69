/** Links that go in a way of their own: drop links both sides together, links of an axle one at a time. */
import { jointId } from '../../assembly/graph.ts';
import { axleOf, corners as allCorners, isLeft, type Corner } from '../../height/corners.ts';
import { axleLinks as linksOfAxle, jointsOf } from '../../layout/shape.ts';
import type { Act } from '../step.ts';
import { readied } from './loosening.ts';
import { lowered } from './make.ts';
import type { Site } from './site.ts';

export function dropLinks(site: Site): void {
	const { axle } = site.plan;
	const both = allCorners.filter((corner) => axleOf(corner) === axle);
	const links = both.flatMap((corner) =>
		site
			.offAt(corner)
			.filter(({ pair }) => pair)
			.map(({ key }) => ({ corner, key }))
	);
	if (links.length === 0) return;
	const acts = (deed: 'undo' | 'start' | 'tighten') =>
		links.map(({ corner, key }): Act => ({ do: deed, corner, joint: key }));
	const each = {
		joints: links.map(({ corner, key }) => jointId(corner, key)),
		...site.coversOver(links)
	};
	for (const [kind, deed] of [
		['links-off', 'undo'],
		['links-on', 'start'],
		['links-tight', 'tighten']
	] as const) {
		const own = kind === 'links-on' ? { ...each, frees: each.joints } : each;
		site.add(kind, axle, both, { acts: acts(deed), joints: links, each: own });
	}
}

/** Links that locate an axle are changed one at a time. */
export function axleLinks(site: Site, corner: Corner): void {
	const { layout, plan } = site;
	for (const part of linksOfAxle(layout)) {
		if (part.shared && !isLeft(corner)) continue;
		const joints = jointsOf(layout, part.key);
		const id = `${corner}/${part.key}`;
		const before = site.made.findLast(
			({ kind, at }) => kind === 'link-off' && plan.corners.includes(at as Corner)
		)?.each.link;
		const each = {
			joints: joints.map(({ key }) => jointId(corner, key)),
			link: [id],
			...(before && { linkBefore: before })
		};
		const tail = `:${part.key}`;
		const name = lowered(part.name);
		readied(site, corner, joints, { tail, each });
		site.at(corner, 'link-off', joints, 'undo', { tail, title: `Off: ${name}`, each });
		site.at(corner, 'link-on', joints, 'start', {
			tail,
			title: `On again by hand: ${name}`,
			each: { ...each, frees: each.joints }
		});
	}
}
