/** What of a car matters to its support and its stored energy. */
import {
	graphOf,
	heldParts,
	jointId,
	readJointId,
	type Fixing,
	type Graph,
	type JointId,
	type Node
} from '../../assembly/graph.ts';
import { axleOf, corners as allCorners, type Axle, type Corner } from '../../height/corners.ts';
import {
	axleLinks,
	findsItsPlace,
	jointOf,
	jointsOf,
	springArm,
	springSeat
} from '../../layout/shape.ts';
import type { Holder, Layout, LayoutJoint, LayoutWay } from '../../layout/types.ts';
import { axlePlans, type WorkScope } from '../scope.ts';

export interface CornerState {
	wheelOn: boolean;
	oiled: boolean;
	marked: boolean;
	squeezed: boolean;
	compared: boolean;
	compressed: boolean;
	shaftNutOn: boolean;
	stacked: boolean;
	pressure: boolean;
	plugged: boolean;
	/** The piston of its caliper stands back. */
	pistonBack: boolean;
	loaded: boolean;
	/** Joints whose nut was run off and on, whose taper or bolt is loose, and clamps that are held open. */
	run: Set<string>;
	cracked: Set<string>;
	tapped: Set<string>;
	spread: Set<string>;
	/** Joints that set the wheel: scribed, and back on their mark. */
	scribed: Set<string>;
	onMark: Set<string>;
	/** What was made at the car for another part, as it was made. */
	made: string[];
	/** Nuts that were loosened while the wheels held the car. */
	eased: Set<string>;
	/** The way by which parts are away from where they hang. */
	way: LayoutWay | undefined;
}

/** One axle's parts and joints as they are now. */
export interface AxleState {
	graph: Graph;
	fixings: Map<JointId, Fixing>;
	/** Loosened in this job and not at its torque since. */
	owed: Set<JointId>;
	out: Set<Node>;
	/** Parts that are away from where they hang, or kept there while others move, mm. */
	moved: Map<Node, number>;
	/** Parts on a jack or a strap, as `FL/knuckle`: of an axle one end each. */
	held: Map<string, Holder>;
	/** As its joints and parts were when it was looked at last, and what is around them. */
	seen?: Pick<AxleState, 'fixings' | 'moved' | 'held' | 'out'> & { around: readonly unknown[] };
	/** Covers that are off, with whom they belong to. */
	open: Set<string>;
}

/** A car before the work, and what can be asked about it; it changes as it is played. */
export function freshCar(scope: WorkScope) {
	const worked = axlePlans(scope).flatMap(({ corners }) => corners);
	const layoutOf = (corner: Corner): Layout => scope.layouts[axleOf(corner)];
	const state = new Map(allCorners.map((corner) => [corner, freshCorner(layoutOf(corner))]));
	const axles = new Map(
		(['front', 'rear'] as const).map((axle) => [axle, freshAxle(scope.layouts[axle], axle)])
	);
	const at = (corner: Corner) => state.get(corner)!;
	const axle = (corner: Corner) => axles.get(axleOf(corner))!;
	const body = {
		up: 'ground' as 'ground' | 'jack' | 'stands',
		heightsRead: false,
		wheelsLoose: false,
		wheelsTorqued: false,
		chocked: false,
		live: true,
		compressor: true,
		under: 'body' as 'body' | 'subframe',
		/** It was taught its height since its sensors were off. */
		taught: true,
		/** How many people are at the step in hand. */
		hands: 1,
		/** It has a hard brake pedal. */
		brakes: true,
		readAfter: false
	};
	const fixing = (corner: Corner, key: string): Fixing =>
		axle(corner).fixings.get(jointId(corner, key)) ?? 'tight';
	const node = (corner: Corner, part: string): Node => axle(corner).graph.node(part, corner);
	const sidesOf = (which: Axle) => allCorners.filter((corner) => axleOf(corner) === which);

	const settlesLater = (corner: Corner, joint: LayoutJoint) =>
		scope.strategy.topNuts === 'weight-on' && findsItsPlace(layoutOf(corner), joint);

	/** Links of the bar that are on at an axle; a link is off when it is at either end. */
	const linksOn = (corner: Corner) =>
		sidesOf(axleOf(corner)).filter((one) => {
			const links = layoutOf(one).joints.filter(({ pair, kind }) => pair && kind !== 'bonded-bush');
			return links.length > 0 && links.every(({ key }) => fixing(one, key) !== 'off');
		}).length;
	/** Rigid joints of a corner that were undone and do not have their torque, but for its links. */
	const rigidOwed = (corner: Corner) =>
		[...axle(corner).owed].filter((id) => {
			const joint = jointOf(layoutOf(corner), readJointId(id).key);
			// Nuts of a mount that finds its place are on by hand: they have no load until the weight comes.
			const settles = settlesLater(corner, joint) && fixing(corner, joint.key) === 'tight';
			return (
				readJointId(id).corner === corner && joint.rule === 'any-time' && !joint.pair && !settles
			);
		});
	/** What would still be up if every jack and strap were taken away. */
	const standsAlone = (corner: Corner, part: string) => {
		const { graph, fixings, out } = axle(corner);
		return heldParts(graph, corner, fixings, new Set(), out).has(node(corner, part));
	};
	/** Parts that are on a jack or a strap at a corner. */
	const heldAt = (corner: Corner): Set<Node> =>
		new Set(
			[...axle(corner).held.keys()].flatMap((id) => {
				const { corner: at, key } = readJointId(id);
				return at === corner ? [node(corner, key)] : [];
			})
		);
	/** Parts of a corner that are up now. */
	const upAt = (corner: Corner): Set<Node> => {
		const { graph, fixings, out } = axle(corner);
		return heldParts(graph, corner, fixings, heldAt(corner), out);
	};
	const isHeld = (corner: Corner, part: string) => upAt(corner).has(node(corner, part));
	/** Joints that a way wants apart and that are on. */
	const stillTogether = (corner: Corner, way: LayoutWay) =>
		(way.apart ?? []).flatMap((pair) =>
			layoutOf(corner).joints.filter(
				({ key, between }) =>
					pair.every((part) => between.includes(part)) && fixing(corner, key) !== 'off'
			)
		);
	/** One of the ways of a part is open: what it moves is away, what it parts is apart. */
	const isWayOpen = (corner: Corner, part: string) => {
		const ways = layoutOf(corner).assembly.ways[part] ?? [];
		return (
			ways.length === 0 ||
			ways.some(
				(way) =>
					stillTogether(corner, way).length === 0 &&
					Object.entries(way.moves ?? {}).every(
						([key, mm]) => mm === 0 || (axle(corner).moved.get(node(corner, key)) ?? 0) >= mm
					)
			)
		);
	};
	/** A spring beside its damper that is in its seats and presses. */
	const presses = (corner: Corner) => {
		const arm = springArm(layoutOf(corner));
		if (!arm || at(corner).squeezed || axle(corner).out.has(node(corner, 'spring'))) return false;
		return !((axle(corner).moved.get(node(corner, arm.key)) ?? 0) > 0);
	};
	const linkJoints = new Map(
		[...axles.keys()].map((which) => [
			which,
			axleLinks(scope.layouts[which]).map(({ key }) => jointsOf(scope.layouts[which], key))
		])
	);
	const axleLinksOff = (which: Axle) =>
		linkJoints
			.get(which)!
			.flatMap((joints) =>
				sidesOf(which).filter((corner) => joints.some(({ key }) => fixing(corner, key) === 'off'))
			).length;
	const linesOff = (corner: Corner) =>
		layoutOf(corner).joints.filter(
			({ key, between }) =>
				fixing(corner, key) === 'off' &&
				between.some((part) =>
					layoutOf(corner).assembly.parts.some((one) => one.key === part && one.kind === 'line')
				)
		).length;

	return {
		scope,
		worked,
		body,
		at,
		axle,
		axles,
		layoutOf,
		fixing,
		node,
		sidesOf,
		linksOn,
		rigidOwed,
		settlesLater,
		standsAlone,
		isHeld,
		upAt,
		heldAt,
		stillTogether,
		isWayOpen,
		presses,
		axleLinksOff,
		linesOff
	};
}
export type Car = ReturnType<typeof freshCar>;

const freshAxle = (layout: Layout, axle: Axle): AxleState => ({
	graph: graphOf(layout, axle),
	fixings: new Map(),
	owed: new Set(),
	out: new Set(),
	moved: new Map(),
	held: new Map(),
	open: new Set()
});

const freshCorner = (layout: Layout): CornerState => ({
	wheelOn: true,
	oiled: false,
	marked: false,
	squeezed: false,
	compared: false,
	compressed: false,
	shaftNutOn: true,
	stacked: true,
	pressure: springSeat(layout) === 'air',
	plugged: true,
	pistonBack: false,
	loaded: false,
	run: new Set(),
	cracked: new Set(),
	tapped: new Set(),
	scribed: new Set(),
	onMark: new Set(),
	spread: new Set(),
	eased: new Set(),
	made: [],
	way: undefined
});
