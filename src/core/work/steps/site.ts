import { jointId, type JointId, type Node } from '../../assembly/graph.ts';
import { partsToHold, type Held } from '../../assembly/holding.ts';
import { isLeft, type Axle, type Corner } from '../../height/corners.ts';
import { axleLinks, damperOf, jointOf, onOneJack, partOf, unitOf } from '../../layout/shape.ts';
import type { Layout, LayoutCover, LayoutJoint, LayoutPart } from '../../layout/types.ts';
import { inCarWay } from '../in-car.ts';
import type { StepKind } from '../operations.ts';
import type { Each } from '../operations/types.ts';
import type { AxlePlan, Strategy, WorkScope } from '../scope.ts';
import type { Act, WorkStep } from '../step.ts';
import { makeStep, type Knowledge } from './make.ts';

/** What is done to a joint that is reached only with its covers off. */
const loosening: ReadonlySet<string> = new Set([
	'undo',
	'slack',
	'ease',
	'run',
	'crack',
	'tap',
	'scribe'
]);

/** The work at one axle, as steps are made of it. */
export class Site {
	readonly layout: Layout;
	readonly made: WorkStep[] = [];
	readonly unit: readonly string[];

	readonly how: Strategy;
	readonly rust: WorkScope['rust'];
	/** Threads are oiled with the wheel off. */
	readonly soaksHere: boolean;

	constructor(
		readonly plan: AxlePlan,
		{ strategy, rust }: Pick<WorkScope, 'strategy' | 'rust'>
	) {
		this.how = strategy;
		this.rust = rust;
		this.soaksHere = rust !== 'none' && strategy.soak === 'wheel-off';
		this.layout = plan.layout;
		this.unit = unitOf(plan.layout, damperOf(plan.layout).key);
	}

	add(kind: StepKind, at: Axle | Corner, corners: readonly Corner[], own: Knowledge): void {
		this.made.push(makeStep(kind, at, corners, this.layout, own));
	}

	isOff = (corner: Corner, key: string): boolean =>
		this.plan.freed.off.includes(jointId(corner, key));

	/** Joints that come apart at a corner. */
	offAt(corner: Corner): LayoutJoint[] {
		return this.layout.joints.filter(({ key }) => this.isOff(corner, key));
	}

	isLine = ({ between }: LayoutJoint): boolean =>
		between.some((key) => partOf(this.layout, key)?.kind === 'line');

	slackAt(corner: Corner): string[] {
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
	armRubber(corner: Corner): LayoutJoint[] {
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

	coversOver(joints: WorkStep['joints']): Partial<Record<Each, JointId[]>> {
		const covers = joints.flatMap(({ corner, key }) =>
			this.layout.assembly.covers
				.filter(({ over }) => over.includes(key))
				.map((cover) => this.coverId(cover, corner))
		);
		return covers.length ? { covers: [...new Set(covers)] } : {};
	}

	coverId = ({ key, shared }: LayoutCover, corner: Corner): string =>
		`${shared ? this.plan.axle : corner}/${key}`;

	at(
		corner: Corner,
		kind: StepKind,
		joints: readonly LayoutJoint[],
		deed: Extract<Act, { joint: string }>['do'],
		own: Partial<Knowledge> & { before?: readonly Act[]; kept?: readonly LayoutJoint[] } = {}
	): void {
		const on = joints.map(({ key }) => ({ corner, key }));
		const { before = [], kept = [], ...rest } = own;
		const acts = joints.map((joint): Act => {
			const act = { corner, joint: joint.key };
			return deed === 'undo' && kept.includes(joint)
				? { do: deed, ...act, lastThreads: true }
				: { do: deed, ...act };
		});
		this.add(kind, corner, [corner], {
			acts: [...before, ...acts],
			joints: on,
			...rest,
			each: {
				...own.each,
				...(loosening.has(deed) ? this.coversOver(on) : {})
			}
		});
	}

	/** A damper that comes out hangs by the last threads of its upper end until it is in the hand. */
	lastOn = (top: readonly LayoutJoint[]): readonly LayoutJoint[] =>
		this.plan.damperOut ? top : [];

	held(corner: Corner): Held[] {
		const { graph, freed, damperOut, damperWay, springWay } = this.plan;
		const node = (key: string): Node => graph.node(key, corner);
		const inCar = this.plan.inCar.map((part) => inCarWay(this.layout, part));
		const moved = new Map<Node, number>();
		for (const way of [damperWay, springWay, ...inCar]) {
			for (const [key, mm] of Object.entries(way?.moves ?? {}))
				moved.set(node(key), Math.max(mm, moved.get(node(key)) ?? 0));
		}
		const gone = new Set(damperOut ? this.unit.map(node) : []);
		return partsToHold(graph, corner, freed.fixings, gone, moved);
	}

	heldId = (part: LayoutPart, corner: Corner): string =>
		`${onOneJack(part) ? this.plan.axle : corner}/${part.key}`;

	movesShared = (): boolean =>
		Object.keys(this.plan.springWay?.moves ?? {}).some((key) => partOf(this.layout, key)?.shared);

	/** A joint of an arm that comes out, but for what a way parts anyway, which has steps of its own. */
	isOfArmOut(joint: LayoutJoint): boolean {
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
}
