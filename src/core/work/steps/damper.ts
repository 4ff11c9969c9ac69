/** The damper out and in again. */
import { jointId, readJointId } from '../../assembly/graph.ts';
import type { Corner } from '../../height/corners.ts';
import { damperEnd, damperOf, partOf, springSeat } from '../../layout/shape.ts';
import type { Act, WorkStep } from '../step.ts';
import type { Groups } from './groups.ts';
import type { Site } from './site.ts';

/** The damper out and in again, with what swings out of its way. */
export function damper(
	site: Site,
	corner: Corner,
	{ air, lines, top, bottom, knuckle, calipers, hubs }: Groups
): void {
	const { damperWay } = site.plan;
	const part = damperOf(site.layout);
	const away: Act[] = damperWay?.moves ? [{ do: 'move', corner, parts: damperWay.moves }] : [];
	// What the damper is fixed to is brought to it; what only stood aside comes back on its own joint.
	const back = backAt(site, corner, (key, mm) => knuckle.length === 0 || isBrought(site, key, mm));
	const links = site.offAt(corner).filter(({ pair }) => pair);
	const inTheWay = [...air, ...lines, ...links, ...knuckle, ...calipers, ...hubs].map(({ key }) =>
		jointId(corner, key)
	);
	const slack = site.plan.freed.slack.filter((id) => readJointId(id).corner === corner);
	const ends = [...top, ...bottom].map(({ key }) => jointId(corner, key));
	site.add('damper-out', corner, [corner], {
		acts: [
			...away,
			...site.lastOn(top).map(({ key }): Act => ({ do: 'off', corner, joint: key })),
			{ do: 'out', corner, part: part.key }
		],
		each: { frees: [...ends, ...inTheWay], slack, ...core(site, corner) },
		title: `${part.name} out`,
		...(damperWay?.tool && { tool: damperWay.tool }),
		...(damperWay?.people && { people: damperWay.people })
	});
	const bare = springSeat(site.layout) === 'on-arm';
	const cautions = [
		...(bare ? [pushesBack] : []),
		...(top.some(({ kind }) => kind === 'cushion') ? [centred] : [])
	];
	site.add('damper-in', corner, [corner], {
		acts: [
			{ do: 'in', corner, part: part.key },
			...top.map(({ key }): Act => ({ do: 'start', corner, joint: key })),
			...back,
			...bottom.map(({ key }): Act => ({ do: 'start', corner, joint: key }))
		],
		joints: [...top, ...bottom].map(({ key }) => ({ corner, key })),
		each: { joints: ends },
		title: `${part.name} in, both ends started by hand`,
		...(cautions.length && { caution: cautions.join(' ') })
	});
}

/** Where no spring is on it. Common practice, no source. */
const pushesBack =
	'A gas damper pushes back all the way: pressed in by hand and strapped, or held by a second person.';

/** Of a stem through its hole. Common practice, no source. */
const centred =
	'Centred in its hole, or its nut does not start. A film of rubber grease on the cushions, against squeak.';

/** A damper that stands inside its coil. */
export function core(site: Site, corner: Corner): WorkStep['each'] {
	const around = partOf(site.layout, 'spring')?.around;
	return around && site.plan.springWay ? { core: [`${corner}/${around}`] } : {};
}

/** Parts that the damper's way had moved, where they hang again. */
export function backAt(
	site: Site,
	corner: Corner,
	is: (part: string, mm: number) => boolean
): Act[] {
	const parts = Object.entries(site.plan.damperWay?.moves ?? {}).filter(([part, mm]) =>
		is(part, mm)
	);
	return parts.length ? [{ do: 'back', corner, parts: parts.map(([part]) => part) }] : [];
}

export const isBrought = (site: Site, part: string, mm: number): boolean =>
	mm > 0 && damperEnd(site.layout, 'bottom').some(({ between }) => between.includes(part));
