/** Arms and air springs out, one after the other, and in again. */
import { jointId, type JointId } from '../../assembly/graph.ts';
import type { Corner } from '../../height/corners.ts';
import { jointsOf, springArm } from '../../layout/shape.ts';
import { inCarWay } from '../in-car.ts';
import { bushesOf } from '../jobs.ts';
import type { Act } from '../step.ts';
import { groups } from './groups.ts';
import { lowered } from './make.ts';
import type { Site } from './site.ts';
import { readied } from './loosening.ts';

const armKinds = ['arm-off', 'arm-out', 'arm-in'] as const;
const bellowsKinds = ['bellows-off', 'bellows-out', 'bellows-in'] as const;

/** Arms out, one after the other, and in again: new ones, or the old ones with new bushes. */
export function arms(site: Site, corner: Corner): void {
	const { layout, plan } = site;
	const held = site.held(corner).map(({ part }) => site.heldId(part, corner));
	const asked = plan.jobs.filter(({ part }) => part !== undefined);
	const parts = [...new Set(asked.map(({ part }) => part!))];
	const spring = springArm(layout);
	for (const [i, part] of parts.entries()) {
		const joints = groups(site, corner).arms.filter(({ between }) => between.includes(part.key));
		const press = asked.some((one) => one.part === part && one.job.press === true);
		const whole = asked.some((one) => one.part === part && !one.job.press);
		const all = jointsOf(layout, part.key).map(({ key }) => jointId(corner, key));
		const own = joints.map(({ key }) => jointId(corner, key));
		const name = lowered(part.name);
		const tail = `:${part.key}`;
		const id = `${corner}/${part.key}`;
		const before = parts[i - 1];
		const each = {
			link: [id],
			...(before && { linkBefore: [`${corner}/${before.key}`] })
		};
		const [off, out, back] = part.air ? bellowsKinds : armKinds;
		const withSpring = plan.springWay && part === spring;
		readied(site, corner, joints, { tail, renewed: whole, each: { held } });
		site.at(corner, off, joints, 'undo', {
			tail,
			title: `${part.name} undone: ${joints.map((joint) => lowered(joint.name)).join(', ')}`,
			each: {
				...each,
				joints: own,
				slack: plan.freed.slack.filter((one) => own.includes(one)),
				held
			}
		});
		const stays = plan.inCar.includes(part) ? inCarWay(layout, part).moves! : undefined;
		if (stays) {
			// Joints of other arms are off in their own turn.
			const others = groups(site, corner).arms.filter((joint) => !joints.includes(joint));
			const own = site.offAt(corner).filter((joint) => !others.includes(joint));
			site.add('wedge', corner, [corner], {
				tail,
				title: `${part.name} swung down, a wooden block between it and the body`,
				acts: [{ do: 'move', corner, parts: stays }],
				each: { ...each, frees: own.map(({ key }) => jointId(corner, key)), held }
			});
		} else {
			site.add(out, corner, [corner], {
				tail,
				title: `${part.name} out`,
				acts: [{ do: 'out', corner, part: part.key }],
				each: { ...each, frees: all }
			});
		}
		if (press && !whole) {
			const names = bushesOf(layout, part).map((joint) => lowered(joint.name));
			site.add('press-bush', corner, [corner], {
				tail,
				title: `Pressed out of the ${name} and in: ${names.join(', ')}`,
				acts: [{ do: 'press', corner, part: part.key }],
				each
			});
		}
		site.add(back, corner, [corner], {
			tail,
			title: `${part.name} ${stays ? 'up' : 'in'}, started by hand`,
			acts: [
				stays
					? { do: 'back', corner, parts: Object.keys(stays) }
					: { do: 'in', corner, part: part.key },
				...joints.map(({ key }): Act => ({ do: 'start', corner, joint: key }))
			],
			joints: joints.map(({ key }) => ({ corner, key })),
			each: { ...each, joints: own }
		});
		if (withSpring) springFirst(site, corner, id);
	}
}

/** The spring of an arm that comes out is out before it. */
function springFirst(site: Site, corner: Corner, arm: JointId): void {
	const at = site.made.findIndex(({ id }) => id === `${corner}/spring-out`);
	const step = site.made[at]!;
	site.made[at] = { ...step, each: { ...step.each, link: [arm] } };
}
