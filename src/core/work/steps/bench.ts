/** What is done on the bench while a damper is out: rebuilt, changed over, or seen as it came. */
import type { Corner } from '../../height/corners.ts';
import { airUnit, damperOf, springSeat } from '../../layout/shape.ts';
import type { Site } from './site.ts';

const fromOld = ['compress', 'shaft-off'] as const;
const ontoNew = ['restack', 'shaft-on'] as const;

/** An old spring onto a new damper. */
export const rebuild = [...fromOld, ...ontoNew, 'release'] as const;
/** Of a kit the old spring goes no further; the new one is loose on its perch. */
const rebuildWithKit = [...fromOld, 'let-off', ...ontoNew] as const;
/** No spring is on it, so the nut is no danger: one step. */
const changeOver = ['shaft-off', ...ontoNew] as const;

export function onBench(site: Site, corner: Corner): void {
	const { layout, plan } = site;
	const { damper, opened, damperOut } = plan;
	if (plan.rebuilt) {
		for (const kind of plan.kit ? rebuildWithKit : rebuild)
			site.add(kind, corner, [corner], { acts: [{ do: kind, corner }] });
	} else if (plan.mountOff) {
		site.add('change-over', corner, [corner], {
			title: damper
				? 'Shaft nut off; mount, stop and boot changed over to the new damper, primed'
				: 'Shaft nut off; what is new put on with what is kept, the damper primed',
			acts: changeOver.map((act) => ({ do: act, corner })),
			caution: 'Never stand over the shaft; the nut by hand, the shaft held. No impact gun.'
		});
	} else if (damper || opened || (damperOut && springSeat(layout) !== 'on-arm')) {
		// Its spring or its air comes on it: fitted as it was delivered.
		const sprung = springSeat(layout) === 'on-damper';
		const whole = airUnit(layout).includes(damperOf(layout).key) || sprung;
		const kept = !whole && !damper;
		site.add(whole ? 'check-unit' : 'change-over', corner, [corner], {
			acts: [],
			...(kept && { title: 'New stop, boot, cups or cushions onto the damper, primed' })
		});
	}
	for (const { job } of plan.jobs) {
		for (const kind of job.adds ?? [])
			site.add(kind, corner, [corner], { acts: [{ do: 'make', corner, what: kind }] });
	}
}
