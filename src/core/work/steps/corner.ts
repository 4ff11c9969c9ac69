/** The work at one corner, from its wheel off to its wheel on. */
import { jointId } from '../../assembly/graph.ts';
import { isLeft, type Corner } from '../../height/corners.ts';
import {
	axleLinks as linksOfAxle,
	insidePlaces,
	jointOf,
	jointsOf,
	onOneJack
} from '../../layout/shape.ts';
import type { Layout, LayoutJoint } from '../../layout/types.ts';
import type { StepKind } from '../operations.ts';
import type { Act } from '../step.ts';
import { underAir } from './air.ts';
import { arms } from './arms.ts';
import { onBench } from './bench.ts';
import { backAt, damper, isBrought } from './damper.ts';
import { groups as groupsAt } from './groups.ts';
import { hold, letGo } from './holds.ts';
import { caliper, disc, hubNut } from './hub.ts';
import { axleLinks } from './links.ts';
import { lowered, type Knowledge } from './make.ts';
import type { Site } from './site.ts';
import { armSpring } from './springs.ts';
import { plugs } from './plugs.ts';
import { clamp, readied } from './loosening.ts';
import { marks } from './marks.ts';
import { easedOnGround, withWeightOn } from './upper.ts';

/** Of nuts down in a body. Common practice, no source. */
const cavity =
	'Recess of the stud cleaned and oiled before the bit goes in; a socket that could fall into the body taped to its bar.';

/** What covers them is inside the car. */
const isInBody = ({ assembly }: Layout, joints: readonly LayoutJoint[]): boolean =>
	assembly.covers.some(
		({ where, over }) => insidePlaces.has(where) && joints.some(({ key }) => over.includes(key))
	);

export function corner(site: Site, corner: Corner): void {
	const { layout, plan } = site;
	const one = (kind: StepKind, act: Act, own: Partial<Knowledge> = {}) =>
		site.add(kind, corner, [corner], { acts: [act], ...own });
	const held = site.held(corner);
	const holds = { held: held.map(({ part }) => site.heldId(part, corner)) };
	one('wheel-off', { do: 'wheel-off', corner });
	one('mark', { do: 'mark', corner });
	if (site.soaksHere) one('soak-off', { do: 'soak', corner });
	const joints = underAir(plan, corner);
	if (joints.length) {
		one('vent', { do: 'vent', corner }, { each: { joints } });
		one('fill', { do: 'fill', corner });
	}
	const own = held.filter(({ part }) => !onOneJack(part));
	for (const stay of own) hold(site, stay, [corner], corner);

	const groups = groupsAt(site, corner);
	const ids = (joints: readonly LayoutJoint[]) => joints.map(({ key }) => jointId(corner, key));
	const undo = (kind: StepKind, joints: readonly LayoutJoint[], title?: string, free = false) =>
		site.at(corner, kind, joints, 'undo', {
			...(title && { title }),
			each: { joints: ids(joints), ...(free ? {} : holds) }
		});
	const start = (kind: StepKind, joints: readonly LayoutJoint[], title?: string) =>
		site.at(corner, kind, joints, 'start', {
			...(title && { title }),
			each: { joints: ids(joints) }
		});
	const names = (joints: readonly LayoutJoint[]) =>
		joints.map(({ name }) => lowered(name)).join(', ');

	const { air, lines, top, bottom, holder, knuckle } = groups;
	const last = site.lastOn(top);
	const end = (kind: StepKind, which: string, joints: readonly LayoutJoint[]) => {
		if (joints.length === 0) return;
		const isLast = joints.some((joint) => last.includes(joint));
		site.at(corner, kind, joints, 'undo', {
			title: `${which} end undone${isLast ? ' but for the last threads' : ''}: ${names(joints)}`,
			kept: last,
			...(isInBody(layout, joints) && { caution: cavity }),
			each: { joints: ids(joints), ...holds }
		});
	};
	easedOnGround(site, corner, top);
	plugs(site, corner);
	caliper(site, corner, groups.calipers, holds);
	disc(site, corner, groups.discs, groups.calipers);
	hubNut(site, corner, groups.hubs);
	if (lines.length) {
		undo('hose-off', lines, `Off, so that nothing is stretched: ${names(lines)}`, true);
		start('hose-on', lines, `On again, not twisted: ${names(lines)}`);
	}
	if (air.length) {
		undo('air-line-off', air, undefined, true);
		start('air-line-on', air);
	}
	if (knuckle.length) {
		readied(site, corner, knuckle, { tail: ':knuckle', each: holds });
		undo('free-knuckle', knuckle, `Undone so that the knuckle swings clear: ${names(knuckle)}`);
		site.at(corner, 'knuckle-on', knuckle, 'start', {
			title: `Back, started by hand: ${names(knuckle)}`,
			each: { joints: ids(knuckle) },
			before: backAt(site, corner, (part, mm) => !isBrought(site, part, mm))
		});
	}
	end('undo-top', 'Upper', top);
	readied(site, corner, bottom, { tail: ':bottom', each: holds });
	end('undo-bottom', 'Lower', bottom);
	clamp(site, corner, bottom);
	if (plan.damperOut) damper(site, corner, groups);
	else if (bottom.length || top.length) {
		site.at(corner, 'damper-in', [...top, ...bottom], 'start', {
			title: `Damper’s ${bottom.length ? 'lower' : 'upper'} end back, started by hand`,
			each: { joints: ids([...top, ...bottom]) }
		});
	}
	if (holder.length) {
		readied(site, corner, holder, { each: holds });
		undo('holder-off', holder);
		start('holder-on', holder);
	}
	if (groups.subframe.length) {
		undo('subframe-off', groups.subframe);
		start('subframe-on', groups.subframe);
	}
	if (plan.damperOut || plan.springWay) one('compare', { do: 'compare', corner });
	onBench(site, corner);
	if (plan.springWay) armSpring(site, corner);
	arms(site, corner);
	if (groups.brackets.length) {
		undo('bar-off', groups.brackets, undefined, true);
		site.at(corner, 'bar-on', groups.brackets, 'start', {
			each: { joints: ids(groups.brackets), frees: ids(groups.brackets) }
		});
	}
	if (plan.bushes) axleLinks(site, corner);

	const slack = site.slackAt(corner);
	marks(
		site,
		corner,
		layout.joints.filter(({ key }) => slack.includes(key) || site.isOff(corner, key))
	);
	if (slack.length) {
		site.at(
			corner,
			'slack-bushes',
			slack.map((key) => jointOf(layout, key)),
			'slack',
			{
				each: { joints: slack.map((key) => jointId(corner, key)), ...holds }
			}
		);
	}
	tightening(site, corner, slack);
	for (const stay of own) letGo(site, stay, [corner], corner);
	one('wheel-on', { do: 'wheel-on', corner });
}

/** What came apart or loose gets its torque: what is rigid first, rubber at ride height. */
function tightening(site: Site, corner: Corner, slack: readonly string[]): void {
	const { layout, plan } = site;
	const links = plan.bushes
		? linksOfAxle(layout)
				.filter(({ shared }) => !shared || isLeft(corner))
				.flatMap(({ key }) => jointsOf(layout, key))
		: [];
	const loose = new Set([
		...site.offAt(corner).filter(({ pair }) => !pair),
		...slack.map((key) => jointOf(layout, key)),
		...links
	]);
	const inOrder = layout.joints.filter((joint) => loose.has(joint));
	const each = (joints: readonly LayoutJoint[]) => ({
		each: { joints: joints.map(({ key }) => jointId(corner, key)) }
	});
	const settled = withWeightOn(site, inOrder);
	const rigid = inOrder.filter((one) => one.rule === 'any-time' && !settled.includes(one));
	const rubber = inOrder.filter(({ rule }) => rule === 'ride-height');
	if (rigid.length) site.at(corner, 'tighten', rigid, 'tighten', each(rigid));
	if (settled.length) site.at(corner, 'top-tight', settled, 'tighten', each(settled));
	if (rubber.length === 0) return;
	site.add('load', corner, [corner], { acts: [{ do: 'load', corner }] });
	site.at(corner, 'set-rubber', rubber, 'tighten', each(rubber));
}
