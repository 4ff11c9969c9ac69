/**
 * Which steps a job takes: what comes off so that parts get free, and comes on again. All of it follows from
 * the layout's assembly and the ways chosen; whatever is taken away is brought back by the same lines. No
 * order yet: that follows from what operations need (`needs.ts`).
 */
import { readJointId, jointId, type JointId, type Node } from '../assembly/graph.ts';
import { partsToHold, type Held } from '../assembly/holding.ts';
import {
	axleOf,
	corners as allCorners,
	isLeft,
	type Axle,
	type Corner
} from '../height/corners.ts';
import {
	airUnit,
	axleLinks,
	damperEnd,
	damperOf,
	isDriven,
	jointOf,
	jointsOf,
	partOf,
	springArm,
	springSeat,
	unitOf
} from '../layout/shape.ts';
import type { Layout, LayoutCover, LayoutJoint, LayoutPart } from '../layout/types.ts';
import { operation, stepKinds, type Each, type StepKind } from './operations.ts';
import { bushesOf } from './jobs.ts';
import { ownSteps } from './own.ts';
import { axlePlans, type AxlePlan, type WorkScope } from './scope.ts';
import type { Act, WorkStep } from './step.ts';
import type { Minutes } from './terms.ts';

/** What a step has besides its operation. */
interface Own {
	acts: readonly Act[];
	joints?: WorkStep['joints'];
	each?: WorkStep['each'];
	title?: string;
	/** Told apart from another of its kind at the same place. */
	tail?: string;
	caution?: string;
	tool?: string;
	comesOut?: readonly string[];
	people?: 2;
}

/** The steps of a job, in the order they are thought of. */
export function workSteps(scope: WorkScope): WorkStep[] {
	const plans = axlePlans(scope);
	if (plans.length === 0) return [];
	const all = plans.flatMap(({ corners }) => corners);
	const steps: WorkStep[] = [];
	const car = (kind: StepKind, act: Act) =>
		steps.push(makeStep(kind, 'car', all, undefined, { acts: [act] }));

	if (scope.rust !== 'none') {
		for (const corner of all) {
			steps.push(makeStep('soak', corner, [corner], undefined, { acts: [{ do: 'soak', corner }] }));
		}
	}
	car('heights-before', { do: 'read-heights' });
	car('crack-wheels', { do: 'crack-wheels' });
	if (plans.some((plan) => plan.corners.some((corner) => opensAir(plan, corner)))) {
		car('ignition-off', { do: 'ignition-off' });
	}
	car('chock', { do: 'chock' });
	car('lift', { do: 'lift' });
	car('stands', { do: 'stands' });
	for (const plan of plans) steps.push(...new AxleWork(plan).steps());
	car('ground', { do: 'ground' });
	car('torque-wheels', { do: 'torque-wheels' });
	car('heights-after', { do: 'read-heights-after' });
	return [...steps, ...ownSteps(scope.own ?? [], steps)];
}

function makeStep(
	kind: StepKind,
	at: 'car' | Axle | Corner,
	corners: readonly Corner[],
	layout: Layout | undefined,
	{ acts, joints = [], each = {}, title, tail = '', caution, tool, comesOut, people }: Own
): WorkStep {
	const data = operation(kind);
	const first = joints[0] && layout ? jointOf(layout, joints[0].key) : undefined;
	const driven = layout && isDriven(layout) ? data.drivenCaution : undefined;
	const cautions = [data.caution, driven, caution].filter(Boolean).join(' ');
	const used = tool ?? data.tool ?? toolFor(joints, layout);
	return {
		id: `${at}/${kind}${tail}`,
		kind,
		phase: data.phase,
		at,
		corners,
		spot: data.phase === 'bench' ? 'bench' : at,
		title: title ?? data.title,
		joints,
		each,
		...(first && { place: first.place }),
		...(used && { tool: used }),
		...(comesOut && { comesOut }),
		...(people && { people }),
		...(cautions && { caution: cautions }),
		...(data.gate && { gate: data.gate }),
		...(data.doneIn && { doneIn: data.doneIn }),
		minutes: forJoints(data.minutes, joints.length),
		acts
	};
}

/** Something that holds air, or carries the car on it, comes apart at a corner. */
function opensAir({ layout, freed }: AxlePlan, corner: Corner): boolean {
	const unit = airUnit(layout);
	const carries = ({ between, pair }: LayoutJoint) =>
		!pair &&
		between.some((key) => unit.includes(key)) &&
		!between.some((key) => isPlainLine(layout, key));
	return layout.joints.some(
		(joint) => carries(joint) && freed.off.includes(jointId(corner, joint.key))
	);
}

const isPlainLine = (layout: Layout, key: string): boolean => {
	const part = partOf(layout, key);
	return part?.kind === 'line' && !part.air;
};

/** A step over one joint takes less than one over five; the usual minutes are for three. Own choice. */
function forJoints({ low, likely, high }: Minutes, count: number): Minutes {
	const factor = count === 0 ? 1 : 0.4 + 0.2 * count;
	return { low: low * factor, likely: likely * factor, high: high * factor };
}

/** Its spring comes on it: a unit that is fitted as it was delivered. */
const isSprung = (layout: Layout): boolean => springSeat(layout) === 'on-damper';

const airJoints = (layout: Layout): LayoutJoint[] =>
	layout.joints.filter(({ between }) =>
		between.some((key) => {
			const part = partOf(layout, key);
			return part?.kind === 'line' && part.air;
		})
	);

const lowered = (name: string) => `${name[0]!.toLowerCase()}${name.slice(1)}`;

/** The work at one axle. */
class AxleWork {
	private readonly layout: Layout;
	private readonly made: WorkStep[] = [];
	private readonly unit: readonly string[];

	constructor(private readonly plan: AxlePlan) {
		this.layout = plan.layout;
		this.unit = unitOf(plan.layout, damperOf(plan.layout).key);
	}

	steps(): WorkStep[] {
		const { corners } = this.plan;
		this.dropLinks();
		for (const corner of corners) this.corner(corner);
		// A subframe stands on one jack for both sides.
		for (const hold of this.held(corners[0]!).filter(({ part }) => part.kind === 'subframe')) {
			this.hold(hold, corners, this.plan.axle);
			this.letGo(hold, corners, this.plan.axle);
		}
		if (this.movesShared()) this.lowering([...corners], this.plan.axle);
		this.covers();
		return this.made;
	}

	private add(kind: StepKind, at: Axle | Corner, corners: readonly Corner[], own: Own): void {
		this.made.push(makeStep(kind, at, corners, this.layout, own));
	}

	/** Joints that come apart at a corner. */
	private offAt(corner: Corner): LayoutJoint[] {
		const { off } = this.plan.freed;
		return this.layout.joints.filter(({ key }) => off.includes(jointId(corner, key)));
	}

	private isLine = ({ between }: LayoutJoint): boolean =>
		between.some((key) => partOf(this.layout, key)?.kind === 'line');

	private slackAt(corner: Corner): string[] {
		const { freed, bushes, reset, jobs } = this.plan;
		const byWay = this.layout.joints.filter(({ key }) =>
			freed.slack.includes(jointId(corner, key))
		);
		const pressed = jobs.some(({ job }) => job.press);
		const slackened = reset || (bushes && !pressed && axleLinks(this.layout).length === 0);
		const rubber = slackened ? this.armRubber(corner) : [];
		return this.layout.joints
			.filter((one) => byWay.includes(one) || rubber.includes(one))
			.map(({ key }) => key);
	}

	/** Rubber of the arms that does not come apart: all but the damper's own and the bar's. */
	private armRubber(corner: Corner): LayoutJoint[] {
		const { freed } = this.plan;
		return this.layout.joints.filter(
			({ key, rubber, between, single }) =>
				rubber &&
				(!single || isLeft(corner)) &&
				!freed.off.includes(jointId(corner, key)) &&
				!between.some(
					(part) => this.unit.includes(part) || partOf(this.layout, part)?.kind === 'bar'
				)
		);
	}

	private dropLinks(): void {
		const { axle } = this.plan;
		const both = allCorners.filter((corner) => axleOf(corner) === axle);
		const links = both.flatMap((corner) =>
			this.offAt(corner)
				.filter(({ pair }) => pair)
				.map(({ key }) => ({ corner, key }))
		);
		if (links.length === 0) return;
		const acts = (deed: 'undo' | 'start' | 'tighten') =>
			links.map(({ corner, key }): Act => ({ do: deed, corner, joint: key }));
		const each = {
			joints: links.map(({ corner, key }) => jointId(corner, key)),
			...this.coversOver(links)
		};
		for (const [kind, deed] of [
			['links-off', 'undo'],
			['links-on', 'start'],
			['links-tight', 'tighten']
		] as const) {
			const own = kind === 'links-on' ? { ...each, frees: each.joints } : each;
			this.add(kind, axle, both, { acts: acts(deed), joints: links, each: own });
		}
	}

	private coversOver(joints: WorkStep['joints']): Partial<Record<Each, JointId[]>> {
		const covers = joints.flatMap(({ corner, key }) =>
			this.layout.assembly.covers
				.filter(({ over }) => over.includes(key))
				.map((cover) => this.coverId(cover, corner))
		);
		return covers.length ? { covers: [...new Set(covers)] } : {};
	}

	private coverId = ({ key, shared }: LayoutCover, corner: Corner): string =>
		`${shared ? this.plan.axle : corner}/${key}`;

	private corner(corner: Corner): void {
		const { layout, plan } = this;
		const one = (kind: StepKind, act: Act, own: Partial<Own> = {}) =>
			this.add(kind, corner, [corner], { acts: [act], ...own });
		const held = this.held(corner);
		const holds = { held: held.map(({ part }) => this.heldId(part, corner)) };
		one('wheel-off', { do: 'wheel-off', corner });
		one('mark', { do: 'mark', corner });
		if (opensAir(plan, corner)) {
			one('vent', { do: 'vent', corner });
			one('fill', { do: 'fill', corner });
		}
		const own = held.filter(({ part }) => part.kind !== 'subframe');
		for (const hold of own) this.hold(hold, [corner], corner);

		const groups = this.groups(corner);
		const ids = (joints: readonly LayoutJoint[]) => joints.map(({ key }) => jointId(corner, key));
		const undo = (kind: StepKind, joints: readonly LayoutJoint[], title?: string, free = false) =>
			this.at(corner, kind, joints, 'undo', {
				...(title && { title }),
				each: { joints: ids(joints), ...(free ? {} : holds) }
			});
		const start = (kind: StepKind, joints: readonly LayoutJoint[], title?: string) =>
			this.at(corner, kind, joints, 'start', {
				...(title && { title }),
				each: { joints: ids(joints) }
			});
		const names = (joints: readonly LayoutJoint[]) =>
			joints.map(({ name }) => lowered(name)).join(', ');

		const { air, lines, top, bottom, holder, knuckle } = groups;
		if (lines.length) {
			undo('hose-off', lines, `Off, so that nothing is stretched: ${names(lines)}`, true);
			start('hose-on', lines, `On again, not twisted: ${names(lines)}`);
		}
		if (air.length) {
			undo('air-line-off', air, undefined, true);
			start('air-line-on', air);
		}
		if (knuckle.length) {
			undo('free-knuckle', knuckle, `Undone so that the knuckle swings clear: ${names(knuckle)}`);
			this.at(corner, 'knuckle-on', knuckle, 'start', {
				title: `Back, started by hand: ${names(knuckle)}`,
				each: { joints: ids(knuckle) },
				before: this.backAt(corner, (part, mm) => !this.isBrought(part, mm))
			});
		}
		if (top.length) undo('undo-top', top, `Upper end undone: ${names(top)}`);
		if (bottom.length) undo('undo-bottom', bottom, `Lower end undone: ${names(bottom)}`);
		if (plan.damperOut) this.damper(corner, groups);
		else if (bottom.length || top.length) {
			this.at(corner, 'damper-in', [...top, ...bottom], 'start', {
				title: `Damper’s ${bottom.length ? 'lower' : 'upper'} end back, started by hand`,
				each: { joints: ids([...top, ...bottom]) }
			});
		}
		if (holder.length) {
			const taper = holder.filter(({ kind }) => kind === 'ball-joint');
			if (taper.length) {
				this.add('crack-taper', corner, [corner], {
					acts: taper.flatMap(({ key }): Act[] => [
						{ do: 'slack', corner, joint: key },
						{ do: 'crack', corner, joint: key }
					]),
					joints: taper.map(({ key }) => ({ corner, key })),
					each: holds
				});
			}
			undo('holder-off', holder);
			start('holder-on', holder);
		}
		if (groups.subframe.length) {
			undo('subframe-off', groups.subframe);
			start('subframe-on', groups.subframe);
		}
		if (plan.damperOut || plan.springWay) one('compare', { do: 'compare', corner });
		if (plan.rebuilt)
			this.bench(corner, ['compress', 'shaft-off', 'restack', 'shaft-on', 'release']);
		else if (plan.mountOff) {
			this.add('change-over', corner, [corner], {
				title: 'Shaft nut off; mount, stop and boot changed over to the new damper, primed',
				acts: (['shaft-off', 'restack', 'shaft-on'] as const).map((act) => ({ do: act, corner })),
				caution: 'Never stand over the shaft; the nut by hand, the shaft held. No impact gun.'
			});
		} else if (plan.damper || (plan.damperOut && springSeat(layout) !== 'on-arm')) {
			const whole = airUnit(layout).includes(damperOf(layout).key) || isSprung(layout);
			this.add(whole ? 'check-unit' : 'change-over', corner, [corner], { acts: [] });
		}
		if (plan.springWay) this.armSpring(corner);
		this.arms(corner);
		if (groups.brackets.length) {
			undo('bar-off', groups.brackets, undefined, true);
			this.at(corner, 'bar-on', groups.brackets, 'start', {
				each: { joints: ids(groups.brackets), frees: ids(groups.brackets) }
			});
		}
		if (plan.bushes) this.axleLinks(corner);

		const slack = this.slackAt(corner);
		if (slack.length) {
			this.at(
				corner,
				'slack-bushes',
				slack.map((key) => jointOf(layout, key)),
				'slack',
				{
					each: { joints: slack.map((key) => jointId(corner, key)), ...holds }
				}
			);
		}
		this.tightening(corner, slack);
		for (const hold of own) this.letGo(hold, [corner], corner);
		one('wheel-on', { do: 'wheel-on', corner });
	}

	/** Joints that come apart at a corner, by what they are to it; links of the bar go with both sides. */
	private groups(corner: Corner) {
		const { layout, plan } = this;
		const joints = this.offAt(corner).filter(({ pair }) => !pair);
		const [air, rest] = split(joints, (joint) => airJoints(layout).includes(joint));
		const [lines, parts] = split(rest, this.isLine);
		const [top, more] = split(parts, (joint) => damperEnd(layout, 'top').includes(joint));
		const [bottom, other] = split(more, (joint) => damperEnd(layout, 'bottom').includes(joint));
		const arm = springArm(layout)?.key;
		const [brackets, mounted] = split(other, ({ between }) =>
			between.some((key) => partOf(layout, key)?.kind === 'bar')
		);
		const [subframe, hung] = split(
			mounted,
			({ between }) =>
				between.some((key) => partOf(layout, key)?.kind === 'subframe') && between.includes('body')
		);
		const [arms, others] = split(hung, (joint) => this.isOfArmOut(joint));
		const [holder, knuckle] = split(
			others,
			({ between }) => plan.springWay !== undefined && arm !== undefined && between.includes(arm)
		);
		return { air, lines, top, bottom, holder, knuckle, brackets, arms, subframe };
	}

	private at(
		corner: Corner,
		kind: StepKind,
		joints: readonly LayoutJoint[],
		deed: 'undo' | 'slack' | 'start' | 'tighten',
		own: Partial<Own> & { before?: readonly Act[] } = {}
	): void {
		const on = joints.map(({ key }) => ({ corner, key }));
		const { before = [], ...rest } = own;
		this.add(kind, corner, [corner], {
			acts: [...before, ...joints.map(({ key }): Act => ({ do: deed, corner, joint: key }))],
			joints: on,
			...rest,
			each: { ...own.each, ...(deed === 'undo' || deed === 'slack' ? this.coversOver(on) : {}) }
		});
	}

	private held(corner: Corner): Held[] {
		const { graph, freed, damperOut, damperWay, springWay } = this.plan;
		const node = (key: string): Node => graph.node(key, corner);
		const moved = [damperWay, springWay].flatMap((way) =>
			Object.entries(way?.moves ?? {}).map(([key, mm]): [Node, number] => [node(key), mm])
		);
		const gone = new Set(damperOut ? this.unit.map(node) : []);
		return partsToHold(graph, corner, freed.fixings, gone, new Map(moved));
	}

	private heldId = ({ key, kind }: LayoutPart, corner: Corner): string =>
		`${kind === 'subframe' ? this.plan.axle : corner}/${key}`;

	private hold({ part, by }: Held, corners: readonly Corner[], at: Axle | Corner): void {
		this.add(by === 'jack' ? 'support' : 'tie', at, corners, {
			acts: corners.map((corner): Act => ({ do: 'hold', corner, part: part.key, by })),
			each: { held: [this.heldId(part, corners[0]!)] },
			title:
				by === 'jack'
					? `${part.kind === 'subframe' ? 'Jack' : 'Small jack'} under the ${lowered(part.name)}, just taking its weight`
					: `Tie the ${lowered(part.name)} to the body`
		});
	}

	private letGo({ part, by }: Held, corners: readonly Corner[], at: Axle | Corner): void {
		this.add(by === 'jack' ? 'unsupport' : 'untie', at, corners, {
			acts: corners.map((corner): Act => ({ do: 'let-go', corner, part: part.key, by })),
			each: { held: [this.heldId(part, corners[0]!)] },
			title:
				by === 'jack'
					? `${part.kind === 'subframe' ? 'Jack' : 'Small jack'} away`
					: `Strap off the ${lowered(part.name)}`
		});
	}

	/** The damper out and in again, with what swings out of its way. */
	private damper(corner: Corner, { air, lines, top, bottom, knuckle }: Groups): void {
		const { damperWay } = this.plan;
		const part = damperOf(this.layout);
		const away: Act[] = damperWay?.moves ? [{ do: 'move', corner, parts: damperWay.moves }] : [];
		// What the damper is fixed to is brought to it; what only stood aside comes back on its own joint.
		const back = this.backAt(corner, (key, mm) => knuckle.length === 0 || this.isBrought(key, mm));
		const links = this.offAt(corner).filter(({ pair }) => pair);
		const inTheWay = [...air, ...lines, ...links, ...knuckle].map(({ key }) =>
			jointId(corner, key)
		);
		const slack = this.plan.freed.slack.filter((id) => readJointId(id).corner === corner);
		const ends = [...top, ...bottom].map(({ key }) => jointId(corner, key));
		this.add('damper-out', corner, [corner], {
			acts: [...away, { do: 'out', corner, part: part.key }],
			each: { frees: [...ends, ...inTheWay], slack, ...this.core(corner) },
			title: `${part.name} out`,
			...(damperWay?.tool && { tool: damperWay.tool }),
			...(damperWay?.people && { people: damperWay.people })
		});
		this.add('damper-in', corner, [corner], {
			acts: [
				{ do: 'in', corner, part: part.key },
				...top.map(({ key }): Act => ({ do: 'start', corner, joint: key })),
				...back,
				...bottom.map(({ key }): Act => ({ do: 'start', corner, joint: key }))
			],
			joints: [...top, ...bottom].map(({ key }) => ({ corner, key })),
			each: { joints: ends },
			title: `${part.name} in, both ends started by hand`
		});
	}

	/** A damper that stands inside its coil. */
	private core(corner: Corner): WorkStep['each'] {
		const around = partOf(this.layout, 'spring')?.around;
		return around && this.plan.springWay ? { core: [`${corner}/${around}`] } : {};
	}

	/** Parts that the damper's way had moved, where they hang again. */
	private backAt(corner: Corner, is: (part: string, mm: number) => boolean): Act[] {
		const parts = Object.entries(this.plan.damperWay?.moves ?? {}).filter(([part, mm]) =>
			is(part, mm)
		);
		return parts.length ? [{ do: 'back', corner, parts: parts.map(([part]) => part) }] : [];
	}

	private isBrought = (part: string, mm: number): boolean =>
		mm > 0 && damperEnd(this.layout, 'bottom').some(({ between }) => between.includes(part));

	/** A joint of an arm that comes out, but for what a way parts anyway, which has steps of its own. */
	private isOfArmOut(joint: LayoutJoint): boolean {
		const { key, between, pair, rule } = joint;
		const ofLink = pair && rule === 'any-time';
		if (ofLink || this.isLine(joint) || between.some((part) => this.unit.includes(part)))
			return false;
		const { jobs, damperWay, springWay } = this.plan;
		const parted = [damperWay, springWay].some((way) =>
			way?.apart?.some((pair) =>
				pair.every((part) => jointOf(this.layout, key).between.includes(part))
			)
		);
		return !parted && jobs.some(({ part }) => part !== undefined && between.includes(part.key));
	}

	/** Arms out, one after the other, and in again: new ones, or the old ones with new bushes. */
	private arms(corner: Corner): void {
		const { layout, plan } = this;
		const held = this.held(corner).map(({ part }) => this.heldId(part, corner));
		const asked = plan.jobs.filter(({ part }) => part !== undefined);
		const parts = [...new Set(asked.map(({ part }) => part!))];
		const spring = springArm(layout);
		for (const [i, part] of parts.entries()) {
			const joints = this.groups(corner).arms.filter(({ between }) => between.includes(part.key));
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
			this.at(corner, off, joints, 'undo', {
				tail,
				title: `${part.name} undone: ${joints.map((joint) => lowered(joint.name)).join(', ')}`,
				each: {
					...each,
					joints: own,
					slack: plan.freed.slack.filter((one) => own.includes(one)),
					held
				}
			});
			this.add(out, corner, [corner], {
				tail,
				title: `${part.name} out`,
				acts: [{ do: 'out', corner, part: part.key }],
				each: { ...each, frees: all }
			});
			if (press && !whole) {
				const names = bushesOf(layout, part).map((joint) => lowered(joint.name));
				this.add('press-bush', corner, [corner], {
					tail,
					title: `Pressed out of the ${name} and in: ${names.join(', ')}`,
					acts: [{ do: 'press', corner, part: part.key }],
					each
				});
			}
			this.add(back, corner, [corner], {
				tail,
				title: `${part.name} in, started by hand`,
				acts: [
					{ do: 'in', corner, part: part.key },
					...joints.map(({ key }): Act => ({ do: 'start', corner, joint: key }))
				],
				joints: joints.map(({ key }) => ({ corner, key })),
				each: { ...each, joints: own }
			});
			if (withSpring) this.springFirst(corner, id);
		}
	}

	/** The spring of an arm that comes out is out before it. */
	private springFirst(corner: Corner, arm: JointId): void {
		const at = this.made.findIndex(({ id }) => id === `${corner}/spring-out`);
		const step = this.made[at]!;
		this.made[at] = { ...step, each: { ...step.each, link: [arm] } };
	}

	private bench(corner: Corner, kinds: readonly BenchKind[]): void {
		for (const kind of kinds) {
			this.add(kind, corner, [corner], { acts: [{ do: kind, corner }] });
		}
	}

	private movesShared = (): boolean =>
		Object.keys(this.plan.springWay?.moves ?? {}).some((key) => partOf(this.layout, key)?.shared);

	private armSpring(corner: Corner): void {
		const { springWay } = this.plan;
		const one = (kind: StepKind, act: Act, own: Partial<Own> = {}) =>
			this.add(kind, corner, [corner], { acts: [act], ...own });
		const how = {
			...(springWay!.tool && { tool: springWay!.tool }),
			...(springWay!.people && { people: springWay!.people })
		};
		one('spring-out', { do: 'out', corner, part: 'spring' }, { each: this.core(corner) });
		one('spring-in', { do: 'in', corner, part: 'spring' });
		if (springWay!.compressor) {
			one('squeeze', { do: 'squeeze', corner }, how);
			one('unsqueeze', { do: 'unsqueeze', corner });
		} else if (!this.movesShared()) this.lowering([corner], corner);
	}

	/** Down until the spring is loose, and up again: an arm, or an axle on both its sides. */
	private lowering(corners: readonly Corner[], at: Axle | Corner): void {
		const { springWay, freed, axle } = this.plan;
		const moves = springWay!.moves!;
		const both = this.movesShared()
			? allCorners.filter((corner) => axleOf(corner) === axle)
			: corners;
		const tied = (id: JointId) => {
			const { corner, key } = readJointId(id);
			const top = damperEnd(this.layout, 'top').some((joint) => joint.key === key);
			const ofArm = this.isOfArmOut(jointOf(this.layout, key));
			return both.includes(corner) && !(top && this.plan.damperOut) && !ofArm;
		};
		const apart = freed.off.filter(tied);
		const slack = freed.slack.filter((id) => both.includes(readJointId(id).corner));
		const held = corners.flatMap((corner) =>
			this.held(corner).map(({ part }) => this.heldId(part, corner))
		);
		const sharedPart = Object.keys(moves)
			.map((key) => partOf(this.layout, key)!)
			.find((part) => part.shared);
		const body = lowered((sharedPart ?? springArm(this.layout)!).name);
		const shared = this.movesShared();
		this.add('lower', at, corners, {
			acts: corners.map((corner): Act => ({ do: 'move', corner, parts: moves })),
			each: { frees: apart, slack, held },
			title: `Lower the ${body} slowly until ${shared ? 'both springs are' : 'the spring is'} loose`,
			...(springWay!.tool && {
				tool:
					sharedPart?.kind === 'subframe'
						? springWay!.tool
						: `Small jack, ${springWay!.tool.toLowerCase()}`
			}),
			...(springWay!.people && { people: springWay!.people })
		});
		this.add('raise', at, corners, {
			acts: corners.map((corner): Act => ({ do: 'back', corner, parts: Object.keys(moves) })),
			each: { frees: apart },
			title: `Raise the ${body} until the holes line up`
		});
	}

	/** Links that locate an axle are changed one at a time. */
	private axleLinks(corner: Corner): void {
		const { layout, plan } = this;
		for (const part of axleLinks(layout)) {
			if (part.shared && !isLeft(corner)) continue;
			const joints = jointsOf(layout, part.key);
			const id = `${corner}/${part.key}`;
			const before = this.made.findLast(
				({ kind, at }) => kind === 'link-off' && plan.corners.includes(at as Corner)
			)?.each.link;
			const each = {
				joints: joints.map(({ key }) => jointId(corner, key)),
				link: [id],
				...(before && { linkBefore: before })
			};
			const tail = `:${part.key}`;
			const name = lowered(part.name);
			this.at(corner, 'link-off', joints, 'undo', { tail, title: `Off: ${name}`, each });
			this.at(corner, 'link-on', joints, 'start', {
				tail,
				title: `On again by hand: ${name}`,
				each: { ...each, frees: each.joints }
			});
		}
	}

	/** What came apart or loose gets its torque: what is rigid first, rubber at ride height. */
	private tightening(corner: Corner, slack: readonly string[]): void {
		const { layout, plan } = this;
		const links = plan.bushes
			? axleLinks(layout)
					.filter(({ shared }) => !shared || isLeft(corner))
					.flatMap(({ key }) => jointsOf(layout, key))
			: [];
		const loose = new Set([
			...this.offAt(corner).filter(({ pair }) => !pair),
			...slack.map((key) => jointOf(layout, key)),
			...links
		]);
		const inOrder = layout.joints.filter((joint) => loose.has(joint));
		const each = (joints: readonly LayoutJoint[]) => ({
			each: { joints: joints.map(({ key }) => jointId(corner, key)) }
		});
		const rigid = inOrder.filter(({ rule }) => rule === 'any-time');
		const rubber = inOrder.filter(({ rule }) => rule === 'ride-height');
		if (rigid.length) this.at(corner, 'tighten', rigid, 'tighten', each(rigid));
		if (rubber.length === 0) return;
		this.add('load', corner, [corner], { acts: [{ do: 'load', corner }] });
		this.at(corner, 'set-rubber', rubber, 'tighten', each(rubber));
	}

	/** Covers over what comes apart, off and on again; one that both sides share once. */
	private covers(): void {
		const { axle, corners, freed } = this.plan;
		const loose = [...freed.off, ...freed.slack];
		for (const cover of this.layout.assembly.covers) {
			const { shared, over, name, key } = cover;
			const sides = shared ? [corners] : corners.map((corner) => [corner]);
			for (const at of sides) {
				const under = at.flatMap((corner) =>
					over.map((joint) => jointId(corner, joint)).filter((id) => loose.includes(id))
				);
				if (under.length === 0) continue;
				const place = shared ? axle : at[0]!;
				const corner = at[0]!;
				const id = this.coverId(cover, corner);
				const below = ['under', 'arch'].includes(cover.where) ? { below: [id] } : {};
				const each = { covers: [id], under, ...below };
				const own = { tail: `:${key}`, each };
				this.add('cover-off', place, at, {
					...own,
					acts: [{ do: 'cover-off', corner, cover: key }],
					title: `Off: ${lowered(name)}`,
					...heldBy(cover)
				});
				this.add('cover-on', place, at, {
					...own,
					acts: [{ do: 'cover-on', corner, cover: key }],
					title: `On again: ${lowered(name)}`,
					...(cover.traps && { caution: cover.traps.map((trap) => `${trap}.`).join(' ') })
				});
			}
		}
	}
}

const armKinds = ['arm-off', 'arm-out', 'arm-in'] as const;
const bellowsKinds = ['bellows-off', 'bellows-out', 'bellows-in'] as const;

/** What is done to a unit on the bench; a compressor only where a spring is on it. */
type BenchKind = 'compress' | 'shaft-off' | 'restack' | 'shaft-on' | 'release';

type Groups = Record<
	'air' | 'lines' | 'top' | 'bottom' | 'holder' | 'knuckle' | 'brackets' | 'arms' | 'subframe',
	LayoutJoint[]
>;

/** How a cover is held, for the step that takes it off. */
function heldBy({ held = [], plugs = [] }: LayoutCover): Partial<Own> {
	if (held.length === 0) return {};
	const words = held.map(
		({ what, hidden, slackened }) =>
			`${what}${slackened ? ', only slackened' : ''}${hidden ? ` (${hidden})` : ''}`
	);
	return {
		tool: `Trim lever; held by ${words.join(', ')}`,
		comesOut: held.flatMap(({ what, slackened }) => (slackened ? [] : [what])),
		...(plugs.length && { caution: `Unplugged before it is pulled: ${lowered(plugs.join(', '))}.` })
	};
}

function split<T>(list: readonly T[], is: (one: T) => boolean): [T[], T[]] {
	return [list.filter(is), list.filter((one) => !is(one))];
}

/** Every joint a plan leaves loose, so that the round owes it. */
export function loosenedJoints(scope: WorkScope): { corner: Corner; key: string }[] {
	const found = new Map<string, { corner: Corner; key: string }>();
	for (const step of workSteps(scope)) {
		for (const act of step.acts) {
			if (act.do !== 'undo' && act.do !== 'slack') continue;
			found.set(`${act.corner}/${act.joint}`, { corner: act.corner, key: act.joint });
		}
		const nut = step.acts.some((act) => act.do === 'shaft-off');
		if (nut || step.kind === 'wheel-off') {
			const corner = step.corners[0]!;
			const key = nut ? 'shaft-nut' : 'wheel-fasteners';
			found.set(`${corner}/${key}`, { corner, key });
		}
	}
	return [...found.values()];
}

function toolFor(joints: WorkStep['joints'], layout?: Layout): string | undefined {
	if (joints.length === 0 || !layout) return undefined;
	const held = joints.some(({ key }) => jointOf(layout, key).holdStud);
	return held ? 'Spanner and hex for the stud' : 'Socket and spanner';
}

/** Where a kind stands in the usual order of thought; only breaks ties. */
export const kindRank = (kind: StepKind): number => stepKinds.indexOf(kind);
