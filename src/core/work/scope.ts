/** What is to be renewed, and which way it is gone about. */
import { freed, type Freed } from '../assembly/freeing.ts';
import { graphOf, jointId, type Graph, type Node, type Pins } from '../assembly/graph.ts';
import { axleOf, corners as allCorners, type Axle, type Corner } from '../height/corners.ts';
import {
	bellowsOf,
	damperOf,
	onOneJack,
	partOf,
	springArm,
	springSeat,
	unitOf
} from '../layout/shape.ts';
import type { Layout, LayoutPart, LayoutWay } from '../layout/types.ts';
import { clearedFrom } from './in-the-way.ts';
import type { Fault } from '../result.ts';
import type { KnowledgeInJob } from './shop-knowledge.ts';
import { inCarWay, mayPressInCar } from './in-car.ts';
import { askedJobs, jobsOf, type AskedJob } from './jobs.ts';

export const rustGrades = ['none', 'light', 'heavy'] as const;
export type RustGrade = (typeof rustGrades)[number];

export const rustNames: Readonly<Record<RustGrade, string>> = {
	none: 'Clean threads',
	light: 'Light rust',
	heavy: 'Heavy rust, salt region'
};

/** Hours between the oil and the first spanner: a night in a salt region, if not with the wheel off. Common practice, no source. */
export const soakNeeded = (rust: RustGrade, { soak }: Pick<Strategy, 'soak'>): number =>
	rust === 'heavy' && soak !== 'wheel-off' ? 12 : 0;

export const plugEnds = ['on', 'sealed', 'dummy', 'lamp'] as const;
export type PlugEnd = (typeof plugEnds)[number];

export const plugEndNames: Readonly<Record<PlugEnd, string>> = {
	on: 'On the new dampers',
	sealed: 'Sealed and put away',
	dummy: 'On a dummy',
	lamp: 'Sealed, the lamp stays on'
};

export interface Strategy {
	/** Struts and coilovers: old spring onto a new damper, or a unit that comes complete. */
	assembly: 'rebuild' | 'complete';
	/** Springs on an arm: the arm let down, or the spring drawn together where it stands; `ways` say more. */
	springOut: 'lower-arm' | 'internal-compressor';
	/** Of an axle, by the part that comes out: the way of its layout. */
	ways?: Partial<Record<Axle, Readonly<Record<string, string>>>>;
	/** What is covered inside the car is opened while it stands on the ground, or on its stands. */
	inside?: 'before-lifting' | 'on-stands';
	/** Which end of a damper comes off first. */
	first: 'bottom' | 'top';
	sides: 'one-by-one' | 'together';
	people: 1 | 2;
	load: 'jack-to-height' | 'on-wheels';
	/** Oil the evening before, the wheels on; or with the wheel off, a quarter of an hour before the spanner. */
	soak?: 'evening' | 'wheel-off';
	/** Nuts of the upper end eased while the wheels still hold the car. */
	easeTop?: boolean;
	/** Nuts of the upper end to their torque with the others, or once the weight is on them. */
	topNuts?: 'with-others' | 'weight-on';
	/** What the stands are under; never a subframe that comes down. */
	stands?: 'body' | 'subframe';
	/** What becomes of the plugs of electronic dampers: on the new ones, or on none any more. */
	plugs?: PlugEnd;
	/** Wheels aligned before any other driving, or once new parts have settled. */
	align?: 'before-driving' | 'after-settling';
}

export const usualStrategy: Strategy = {
	assembly: 'rebuild',
	springOut: 'lower-arm',
	first: 'bottom',
	sides: 'one-by-one',
	people: 1,
	load: 'jack-to-height'
};

/** What is renewed on one axle. */
export interface AxleScope {
	damper: boolean;
	spring: boolean;
	/** Bushes or links of the arms come off: renewed. */
	bushes: boolean;
	/** Jobs beside these, by their ids in `jobs.ts`: `drop-link`, `arm:lower-arm`. */
	also?: readonly string[];
	/** Parts that come off besides, where they are in the way on this car. */
	clear?: readonly string[];
	/** Arm rubber that nothing else touches is loosened, settled and set anew: the height changes. */
	reset?: boolean;
}

export interface WorkScope {
	axles: Partial<Record<Axle, AxleScope>>;
	corners: readonly Corner[];
	layouts: Record<Axle, Layout>;
	strategy: Strategy;
	rust: RustGrade;
	/** What the shop knows of its own. */
	own?: readonly KnowledgeInJob[];
	/** Steps that something was said of. */
	done?: readonly Done[];
}

/** A step that something was said of: `inTurn` if it was done with nothing passed over, at these joints. */
export interface Done {
	stepId: string;
	joints?: readonly string[];
	inTurn: boolean;
}

/** What a scope means for one axle's corners. */
export interface AxlePlan extends AxleScope {
	axle: Axle;
	layout: Layout;
	graph: Graph;
	/** Corners that are worked on; both of an axle whose beam comes down. */
	corners: readonly Corner[];
	/** The damper comes out of the car. */
	damperOut: boolean;
	/** It is opened on the bench for what is on it. */
	opened: boolean;
	/** Its spring is taken off it on the bench. */
	rebuilt: boolean;
	/** Its mount changes over on the bench, where no spring is on it. */
	mountOff: boolean;
	/** How a damper comes out, where its layout knows ways. */
	damperWay: LayoutWay | undefined;
	/** How a spring beside its damper comes out; absent where none does. */
	springWay: LayoutWay | undefined;
	/** Damper and spring come new as one kit. */
	kit: boolean;
	/** Jobs beside dampers, springs and rubber. */
	jobs: readonly AskedJob[];
	/** Arms that may stay on at their outer end while their bushes are pressed: nothing else is swung aside. */
	mayInCar: readonly LayoutPart[];
	/** Those of them that do. */
	inCar: readonly LayoutPart[];
	/** Joints that come apart or are slackened for all of it, and no others. */
	freed: Freed;
}

/** The ways of a part of this layout; none where it is simply taken out. */
export const waysOf = (layout: Layout, part: string): readonly LayoutWay[] =>
	layout.assembly.ways[part] ?? [];

/** Keys that may be chosen for a part; of an arm's bushes, as `bush:lower-arm`, whether they may be pressed in the car. */
function mayGo(layout: Layout, part: string): string[] {
	const [job, arm] = part.split(':');
	const pressed = job === 'bush' && arm ? partOf(layout, arm) : undefined;
	if (pressed) return mayPressInCar(layout, pressed) ? ['out', 'in-car'] : [];
	return waysOf(layout, part).map((way) => way.key);
}

/** Ways that an axle's layout does not have, each with those that it has. */
export const unknownWays = (layout: Layout, axle: Axle, ways: Strategy['ways']): Fault[] =>
	Object.entries(ways?.[axle] ?? {}).flatMap(([part, value]) => {
		const all = mayGo(layout, part);
		if (value.split(together).every((one) => all.includes(one))) return [];
		const field = `ways.${axle}.${part}`;
		const known = all.length
			? `one of ${all.join(', ')}, or several with ${together} between them`
			: 'it has one way only';
		return [{ field, value, message: `is no way of this layout: ${known}` }];
	});

/**
 * The way chosen for a part, or the usual one.
 *
 * @param moving only ways that move something: its arm comes out too
 */
function wayOf(
	{ assembly }: Layout,
	axle: Axle,
	part: string,
	{ ways, springOut }: Strategy,
	moving = false
): LayoutWay | undefined {
	const known = (assembly.ways[part] ?? []).filter(({ compressor }) => !(moving && compressor));
	const compressor = part === 'spring' && springOut === 'internal-compressor';
	const asked = ways?.[axle]?.[part] ?? (compressor ? springOut : undefined);
	const found = asked?.split(together).flatMap((one) => known.find(({ key }) => key === one) ?? []);
	return found?.length ? found.reduce(bothWays) : known[0];
}

/** Between the keys of ways that are gone together. */
export const together = '+';

/** Two ways at once, for more control: an arm let down, and its spring drawn together before. */
const bothWays = (one: LayoutWay, other: LayoutWay): LayoutWay => ({
	key: `${one.key}${together}${other.key}`,
	name: `${one.name}; ${other.name[0]!.toLowerCase()}${other.name.slice(1)}`,
	moves: { ...one.moves, ...other.moves },
	apart: [...(one.apart ?? []), ...(other.apart ?? [])],
	compressor: one.compressor === true || other.compressor === true,
	...((one.people ?? other.people) && { people: 2 }),
	...((one.tool ?? other.tool) && { tool: one.tool ?? other.tool })
});

/** Reads a scope axle by axle; an axle with nothing to renew is left out. */
export function axlePlans(scope: WorkScope): AxlePlan[] {
	return (['front', 'rear'] as const).flatMap((axle): AxlePlan[] => {
		const said = scope.axles[axle];
		const worked = cornersOf(axle).filter((corner) => scope.corners.includes(corner));
		const layout = scope.layouts[axle];
		const kit = askedJobs(layout, said?.also).some(({ job }) => job.kit);
		const want = said && kit ? { ...said, damper: true, spring: true } : said;
		const { damper, spring, bushes, reset, also = [], clear = [] } = want ?? {};
		const bellows = bellowsOf(layout);
		const jobs = askedJobs(layout, [
			...also,
			...(bushes ? everyBush(layout) : []),
			...(spring && bellows ? [`air-spring:${bellows.key}`] : [])
		]);
		const asked = damper || spring || bushes || reset || jobs.length > 0;
		if (!want || worked.length === 0 || !asked) return [];
		const beside = springSeat(layout) === 'on-arm';
		const opened = jobs.some(({ job }) => job.opens);
		const dampers = want.damper || opened || jobs.some(({ job }) => job.takes === 'damper');
		const armOut = jobs.some(
			({ part }) => part !== undefined && part.key === springArm(layout)?.key
		);
		const springWay =
			beside && (want.spring || armOut)
				? wayOf(layout, axle, 'spring', scope.strategy, armOut)
				: undefined;
		const inCoil = springWay !== undefined && partOf(layout, 'spring')?.around !== undefined;
		const damperOut = dampers || inCoil || (!beside && !bellows && want.spring);
		const damperWay = damperOut
			? wayOf(layout, axle, damperOf(layout).key, scope.strategy)
			: undefined;
		const bothSides = Object.keys(springWay?.moves ?? {}).some(
			(key) => partOf(layout, key)?.shared
		);
		const corners = bothSides ? cornersOf(axle) : worked;
		const graph = graphOf(layout, axle);
		const mayInCar = [damperWay, springWay].some((way) => way?.moves)
			? []
			: pressable(layout, jobs);
		const inCar = mayInCar.filter(
			({ key }) => scope.strategy.ways?.[axle]?.[`bush:${key}`] === 'in-car'
		);
		return [
			{
				...want,
				kit,
				jobs,
				mayInCar,
				inCar,
				axle,
				layout,
				graph,
				corners,
				damperOut,
				opened,
				rebuilt:
					damperOut &&
					springSeat(layout) === 'on-damper' &&
					(want.damper || want.spring || opened) &&
					(opened || scope.strategy.assembly === 'rebuild'),
				mountOff:
					(want.damper || opened) &&
					springSeat(layout) !== 'on-damper' &&
					layout.assembly.parts.some(({ kind }) => kind === 'mount'),
				damperWay,
				springWay,
				freed: freedFor(
					graph,
					corners,
					damperOut,
					[damperWay, springWay, clearing(layout, clear)],
					jobs.filter(({ part }) => part === undefined || !inCar.includes(part)),
					inCar.map((part) => inCarWay(layout, part))
				)
			}
		];
	});
}

/** Arms whose bushes may be pressed in the car; one that is renewed whole comes out. */
const pressable = (layout: Layout, jobs: readonly AskedJob[]): LayoutPart[] =>
	jobs.flatMap(({ job, part }) => {
		const whole = jobs.some((one) => one.part === part && !one.job.press);
		return job.press && part && !whole && mayPressInCar(layout, part) ? [part] : [];
	});

const cornersOf = (axle: Axle): Corner[] => allCorners.filter((corner) => axleOf(corner) === axle);

/** What comes off besides, as one more way. */
const clearing = (layout: Layout, clear: readonly string[]): LayoutWay | undefined =>
	clear.length ? { key: 'clear', name: '', apart: clearedFrom(layout, clear) } : undefined;

/** What comes apart for dampers that come out and for ways that move something, side after side. */
function freedFor(
	graph: Graph,
	corners: readonly Corner[],
	damperOut: boolean,
	ways: readonly (LayoutWay | undefined)[],
	jobs: readonly AskedJob[],
	swings: readonly LayoutWay[]
): Freed {
	const { layout, node } = graph;
	// What both sides share goes down with both of them.
	const shared = ways.some((way) =>
		Object.keys(way?.moves ?? {}).some((key) => onOneJack(partOf(layout, key)!))
	);
	const each = (shared ? [corners] : corners.map((corner) => [corner])).flatMap((at) => {
		const pins = new Map<Node, number | 'out'>();
		const apart: [Node, Node][] = [];
		for (const corner of at) {
			for (const way of ways) {
				for (const [part, mm] of Object.entries(way?.moves ?? {})) pins.set(node(part, corner), mm);
				for (const [a, b] of way?.apart ?? []) apart.push([node(a, corner), node(b, corner)]);
			}
			if (!damperOut) continue;
			for (const part of unitOf(layout, damperOf(layout).key)) pins.set(node(part, corner), 'out');
		}
		return pins.size || apart.length ? [freed(graph, withBody(pins), apart)] : [];
	});
	const alone = corners.flatMap((corner) => {
		const outs = jobs.flatMap((asked) => outOf(layout, asked)).map((key) => node(key, corner));
		return [
			...outs.map((one) => freed(graph, withBody(new Map([[one, 'out']])))),
			...jobs.map((asked) => bracketsOf(layout, asked, corner)),
			...swings.map(({ moves, apart }) => {
				const pins = Object.entries(moves!).map(([part, mm]) => [node(part, corner), mm] as const);
				const ends = apart!.map(([a, b]) => [node(a, corner), node(b, corner)] as const);
				return freed(graph, withBody(new Map(pins)), ends);
			})
		];
	});
	const all = [...each, ...alone];
	const fixings = new Map(all.flatMap((one) => [...one.fixings]));
	for (const one of all) for (const id of one.off) fixings.set(id, 'off');
	const ids = graph.edges.flatMap(({ id }) => id ?? []);
	return {
		fixings,
		off: ids.filter((id) => fixings.get(id) === 'off'),
		// What is slackened so that an arm goes down may come off after that.
		slack: ids.filter((id) => all.some(({ slack }) => slack.includes(id)))
	};
}

/** Bushes of all arms; links of a live axle are changed one at a time instead, and a beam has none to press. */
export const everyBush = (layout: Layout): string[] =>
	jobsOf(layout).flatMap(({ id, job }) => (job.press ? [id] : []));

/** Parts that a job takes out whole. */
const outOf = ({ assembly }: Layout, { job, part }: AskedJob): string[] => {
	if (part) return [part.key];
	return job.takes === 'link'
		? assembly.parts.filter(({ kind }) => kind === 'link').map(({ key }) => key)
		: [];
};

/** Of a bar only its brackets come off. */
function bracketsOf({ assembly, joints }: Layout, { job }: AskedJob, corner: Corner): Freed {
	const bar = job.takes === 'bar' ? assembly.parts.find(({ kind }) => kind === 'bar') : undefined;
	const off = joints
		.filter(({ between, pair }) => bar && !pair && between.includes(bar.key))
		.map(({ key }) => jointId(corner, key));
	return { fixings: new Map(off.map((id) => [id, 'off'])), off, slack: [] };
}

const withBody = (pins: Map<Node, number | 'out'>): Pins => pins.set('body', 0);
