/** Springs beside their damper: let down with what they stand on, or drawn together where they stand. */
import { readJointId, type JointId } from '../../assembly/graph.ts';
import { axleOf, corners as allCorners, type Axle, type Corner } from '../../height/corners.ts';
import { damperEnd, jointOf, onOneJack, partOf, springArm } from '../../layout/shape.ts';
import type { StepKind } from '../operations.ts';
import type { Act } from '../step.ts';
import { core } from './damper.ts';
import { lowered, type Knowledge } from './make.ts';
import type { Site } from './site.ts';

export function armSpring(site: Site, corner: Corner): void {
	const { springWay } = site.plan;
	const one = (kind: StepKind, act: Act, own: Partial<Knowledge> = {}) =>
		site.add(kind, corner, [corner], { acts: [act], ...own });
	const how = {
		...(springWay!.tool && { tool: springWay!.tool }),
		...(springWay!.people && { people: springWay!.people })
	};
	one('spring-out', { do: 'out', corner, part: 'spring' }, { each: core(site, corner) });
	one('spring-in', { do: 'in', corner, part: 'spring' });
	if (springWay!.compressor) {
		one('squeeze', { do: 'squeeze', corner }, how);
		one('unsqueeze', { do: 'unsqueeze', corner });
	}
	const moves = Object.keys(springWay!.moves ?? {}).length > 0;
	if (moves && !site.movesShared()) lowering(site, [corner], corner);
}

/** Down until the spring is loose, and up again: an arm, or an axle on both its sides. */
export function lowering(site: Site, corners: readonly Corner[], at: Axle | Corner): void {
	const { springWay, freed, axle } = site.plan;
	const moves = springWay!.moves!;
	const both = site.movesShared()
		? allCorners.filter((corner) => axleOf(corner) === axle)
		: corners;
	const tied = (id: JointId) => {
		const { corner, key } = readJointId(id);
		const top = damperEnd(site.layout, 'top').some((joint) => joint.key === key);
		const ofArm = site.isOfArmOut(jointOf(site.layout, key));
		return both.includes(corner) && !(top && site.plan.damperOut) && !ofArm;
	};
	const apart = freed.off.filter(tied);
	const slack = freed.slack.filter((id) => both.includes(readJointId(id).corner));
	const held = corners.flatMap((corner) =>
		site.held(corner).map(({ part }) => site.heldId(part, corner))
	);
	const sharedPart = Object.keys(moves)
		.map((key) => partOf(site.layout, key)!)
		.find((part) => part.shared);
	const body = lowered((sharedPart ?? springArm(site.layout)!).name);
	const shared = site.movesShared();
	site.add('lower', at, corners, {
		acts: corners.map((corner): Act => ({ do: 'move', corner, parts: moves })),
		each: { frees: apart, slack, held },
		title: `Lower the ${body} slowly until ${shared ? 'both springs are' : 'the spring is'} loose`,
		...(springWay!.tool && {
			tool:
				sharedPart && onOneJack(sharedPart)
					? springWay!.tool
					: `Small jack, ${springWay!.tool.toLowerCase()}`
		}),
		...(springWay!.people && { people: springWay!.people })
	});
	site.add('raise', at, corners, {
		acts: corners.map((corner): Act => ({ do: 'back', corner, parts: Object.keys(moves) })),
		each: { frees: apart },
		title: `Raise the ${body} until the holes line up`
	});
}
