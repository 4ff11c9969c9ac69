/** Covers over what comes apart, off and on again. */
import { jointId } from '../../assembly/graph.ts';
import type { Layout, LayoutCover } from '../../layout/types.ts';
import { lowered, type Knowledge } from './make.ts';
import type { Site } from './site.ts';

/** Covers over what comes apart, off and on again; one that both sides share once. */
export function covers(site: Site): void {
	const { axle, corners, freed } = site.plan;
	const loose = [...freed.off, ...freed.slack];
	for (const cover of site.layout.assembly.covers) {
		const { shared, name, key } = cover;
		const over = jointsUnder(site.layout, cover);
		const above = site.layout.assembly.covers.filter(({ liesOn }) => liesOn?.includes(key));
		const sides = shared ? [corners] : corners.map((corner) => [corner]);
		for (const at of sides) {
			const under = at.flatMap((corner) =>
				over.map((joint) => jointId(corner, joint)).filter((id) => loose.includes(id))
			);
			if (under.length === 0) continue;
			const place = shared ? axle : at[0]!;
			const corner = at[0]!;
			const id = site.coverId(cover, corner);
			const below = ['under', 'arch'].includes(cover.where) ? { below: [id] } : {};
			const each = {
				covers: [id],
				under,
				...below,
				above: above.flatMap((one) => at.map((corner) => site.coverId(one, corner)))
			};
			const own = { tail: `:${key}`, each };
			site.add('cover-off', place, at, {
				...own,
				acts: [{ do: 'cover-off', corner, cover: key }],
				title: `Off: ${lowered(name)}`,
				...heldBy(cover)
			});
			site.add('cover-on', place, at, {
				...own,
				acts: [{ do: 'cover-on', corner, cover: key }],
				title: `On again: ${lowered(name)}`,
				...(cover.traps && { caution: cover.traps.map((trap) => `${trap}.`).join(' ') })
			});
		}
	}
}

/** Joints that are reached only with a cover off: those it is over, and those under the covers it lies on. */
function jointsUnder({ assembly }: Layout, cover: LayoutCover): string[] {
	const reach = ({ over, liesOn = [] }: LayoutCover, seen: readonly string[]): string[] => [
		...over,
		...assembly.covers
			.filter(({ key }) => liesOn.includes(key) && !seen.includes(key))
			.flatMap((one) => reach(one, [...seen, one.key]))
	];
	return [...new Set(reach(cover, [cover.key]))];
}

/** How a cover is held, for the step that takes it off. */
function heldBy({ held = [], plugs = [] }: LayoutCover): Partial<Knowledge> {
	if (held.length === 0) return {};
	const words = held.map(
		({ what, count, hidden, slackened }) =>
			`${count ? `${count} ` : ''}${what}${slackened ? ', only slackened' : ''}${hidden ? ` (${hidden})` : ''}`
	);
	return {
		tool: `Trim lever; held by ${words.join(', ')}`,
		comesOut: held.flatMap(({ what, count, slackened }) =>
			slackened ? [] : [{ what, ...(count && { count }) }]
		),
		...(plugs.length && { caution: `Unplugged before it is pulled: ${lowered(plugs.join(', '))}.` })
	};
}
