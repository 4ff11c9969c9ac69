/** Plugs of what comes out, and what the car itself must do so that air and wires are at rest. */
import type { Corner } from '../../height/corners.ts';
import { damperOf } from '../../layout/shape.ts';
import type { PlugEnd } from '../scope.ts';
import { lowered } from './make.ts';
import type { Site } from './site.ts';

const ends: Readonly<Record<PlugEnd, string>> = {
	on: 'On again',
	sealed: 'Sealed and tied away',
	dummy: 'On its dummy',
	lamp: 'Sealed and tied away, the lamp stays on'
};

/** The plug of a damper that comes out, off before it and on again when it is in. */
export function plugs(site: Site, corner: Corner): void {
	const { key, plug } = damperOf(site.layout);
	if (!plug || !site.plan.damperOut) return;
	site.add('plug-off', corner, [corner], {
		acts: [{ do: 'unplug', corner, part: key }],
		title: `Off: ${lowered(plug)}`
	});
	const end = site.how.plugs ?? 'on';
	site.add('plug-on', corner, [corner], {
		acts: [{ do: 'plug', corner, part: key }],
		title: `${ends[end]}: ${lowered(plug)}`,
		...(end === 'lamp' && { caution: 'The customer knows of the lamp, and the sheet says so.' })
	});
}

/** Something at a corner came off that tells the car its height. */
export const movesSensor = (site: Site, corner: Corner): boolean =>
	site
		.offAt(corner)
		.some(({ between }) =>
			site.layout.assembly.parts.some((part) => part.calibrated && between.includes(part.key))
		);
