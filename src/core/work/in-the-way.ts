/**
 * What stands in the way on a car and not on every one that is built like it: covers of its own, usual ones that
 * it has not, what of the layout comes off besides, as the caliper does, and the plug of an electronic damper.
 */
import type { Axle } from '../height/corners.ts';
import { damperOf, partOf } from '../layout/shape.ts';
import type { Layout, LayoutCover, LayoutPart } from '../layout/types.ts';
import { carOf, type Knowledge } from './shop-knowledge.ts';

/** What a damper has on it where it is an electronic one, and most of its layout have not. */
const plugOfDamper = { key: 'plug', name: 'Plug of an electronic damper', kind: 'line' } as const;

/** A layout with the covers that this car has, and the plug on its damper. */
export function withCovers(layout: Layout, axle: Axle, own: readonly Knowledge[]): Layout {
	const here = own.filter(({ where }) => where === axle);
	const gone = here.flatMap((one) => (one.what === 'not-there' ? [carOf(one)] : []));
	const more = here.flatMap(({ what, cover }) => (what === 'cover' && cover ? [cover] : []));
	const plug = here.some((one) => one.what === 'part' && carOf(one) === plugOfDamper.key);
	if (gone.length === 0 && more.length === 0 && !plug) return layout;
	const keys = new Set([...gone, ...more.map(({ key }) => key)]);
	const covers = [
		...layout.assembly.covers.filter(({ key }) => !keys.has(key)),
		...unique(more)
	].reduce<LayoutCover[]>((before, cover) => [...before, withoutCircle(cover, before)], []);
	const parts = layout.assembly.parts.map((part) =>
		plug && part.kind === 'damper' ? { ...part, plug: plugOfDamper.name } : part
	);
	return { ...layout, assembly: { ...layout.assembly, parts, covers } };
}

/** What of two covers lies on the other is as it was told first: never both on each other. */
function withoutCircle(cover: LayoutCover, before: readonly LayoutCover[]): LayoutCover {
	const reaches = (from: string): boolean =>
		from === cover.key || (before.find(({ key }) => key === from)?.liesOn ?? []).some(reaches);
	const liesOn = cover.liesOn?.filter((key) => !reaches(key));
	return liesOn?.length === cover.liesOn?.length ? cover : { ...cover, liesOn };
}

/** Of covers that were told twice the one told last. */
const unique = (covers: readonly LayoutCover[]): LayoutCover[] => [
	...new Map(covers.map((cover) => [cover.key, cover])).values()
];

/** Parts of a layout that come off where they are in the way, and are left on where they are not. */
export const mayClear = (layout: Layout): LayoutPart[] => [
	...layout.assembly.parts.filter(({ key }) => fixedBy(layout, key).length > 0),
	...(damperOf(layout).plug ? [] : [plugOfDamper])
];

/** Parts that come off besides on this car, with those that they are got at through. */
export function clearedParts(layout: Layout, axle: Axle, own: readonly Knowledge[]): string[] {
	const asked = own.filter(({ what, where }) => what === 'part' && where === axle).map(carOf);
	const known = asked.filter((key) => fixedBy(layout, key).length > 0);
	const all = known.flatMap((key) => [partOf(layout, key)?.behind ?? [], key].flat());
	return [...new Set(all)];
}

/** What such parts are parted from. */
export const clearedFrom = (
	layout: Layout,
	parts: readonly string[]
): (readonly [string, string])[] =>
	parts.flatMap((key) => fixedBy(layout, key).map(({ between }) => between));

const fixedBy = ({ joints, assembly }: Layout, part: string) =>
	joints.filter(
		({ onlyByWay, between }) =>
			onlyByWay &&
			between.includes(part) &&
			!['knuckle', 'arm', 'axle'].includes(
				assembly.parts.find(({ key }) => key === part)?.kind ?? ''
			)
	);
