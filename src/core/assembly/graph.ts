/**
 * The parts of an axle and what joins them, both sides: how far parts may move against each other, and what
 * holds a part up, with any of its joints tight, slack or off.
 */
import { isLeft, type Axle, type Corner } from '../height/corners.ts';
import { partOf } from '../layout/shape.ts';
import type { Layout, LayoutJoint, LayoutPart } from '../layout/types.ts';

/** A part of one side as `FL:knuckle`, a shared one as `axle`; the car's body is `body`. */
export type Node = string;
/** A joint of one side, as `FL/ball-joint`. */
export type JointId = string;

/** tight: as it was, at its torque or started; slack: rubber is free, and it holds by its threads; off: apart. */
export type Fixing = 'tight' | 'slack' | 'off';
/** Joints that are not tight. */
export type Fixings = ReadonlyMap<JointId, Fixing>;

export interface Edge {
	ends: readonly [Node, Node];
	/** Absent: a contact that this work leaves alone. */
	id?: JointId;
	joint?: LayoutJoint;
	corner: Corner;
	/** How far its ends move against each other while it is tight, mm. */
	slackMm: number;
	/** Rubber of an arm: slackened, it turns freely. */
	turnsWhenSlack: boolean;
	/** It carries weight: no hose, bar, link or shaft does, and no arm by its own pivots. */
	holds: boolean;
}

export interface Graph {
	layout: Layout;
	edges: readonly Edge[];
	/** The same by either end, in their order. */
	at: ReadonlyMap<Node, readonly Edge[]>;
	/** Parts by node; both sides of each. */
	parts: ReadonlyMap<Node, LayoutPart>;
	node(part: string, corner: Corner): Node;
}

export const jointId = (corner: Corner, key: string): JointId => `${corner}/${key}`;
export const readJointId = (id: JointId): { corner: Corner; key: string } => {
	const [corner, key] = id.split('/') as [Corner, string];
	return { corner, key };
};

const cornersOf = (axle: Axle): readonly Corner[] =>
	axle === 'front' ? ['FL', 'FR'] : ['RL', 'RR'];

/** What gives way in any direction, and so carries nothing. */
const limp: ReadonlySet<string> = new Set(['link', 'bar', 'line', 'shaft', 'rod']);

/** A layout never changes: its graphs are made once. */
const made = new WeakMap<Layout, Partial<Record<Axle, Graph>>>();

export function graphOf(layout: Layout, axle: Axle): Graph {
	const known = made.get(layout) ?? {};
	made.set(layout, known);
	return (known[axle] ??= makeGraph(layout, axle));
}

function makeGraph(layout: Layout, axle: Axle): Graph {
	const node = (key: string, corner: Corner): Node =>
		key === 'body' || partOf(layout, key)?.shared ? key : `${corner}:${key}`;
	const kindOf = (key: string) => partOf(layout, key)?.kind;
	// An air spring that is worked on is empty.
	const isLimp = (between: readonly string[]) =>
		between.some((key) => limp.has(kindOf(key) ?? '') || partOf(layout, key)?.air);
	const parts = new Map<Node, LayoutPart>();
	const edges: Edge[] = [];
	for (const corner of cornersOf(axle)) {
		for (const part of layout.assembly.parts) parts.set(node(part.key, corner), part);
		for (const joint of layout.joints) {
			if (joint.kind === 'wheel' || (joint.single && !isLeft(corner))) continue;
			const [a, b] = joint.between;
			const isArm = joint.between.some((key) => kindOf(key) === 'arm' || kindOf(key) === 'axle');
			const pivots = joint.kind === 'bonded-bush' && joint.slackMm !== undefined && isArm;
			edges.push({
				ends: [node(a, corner), node(b, corner)],
				id: jointId(corner, joint.key),
				joint,
				corner,
				slackMm: joint.slackMm ?? 0,
				turnsWhenSlack: pivots,
				holds: !pivots && !isLimp(joint.between)
			});
		}
		for (const { between, slackMm = Infinity } of layout.assembly.contacts) {
			const [a, b] = between;
			edges.push({
				ends: [node(a, corner), node(b, corner)],
				corner,
				slackMm,
				turnsWhenSlack: false,
				holds: slackMm === 0 && !isLimp(between)
			});
		}
	}
	return { layout, edges, at: byEnd(edges), parts, node };
}

export function byEnd(edges: readonly Edge[]): Map<Node, Edge[]> {
	const at = new Map<Node, Edge[]>();
	for (const edge of edges) {
		for (const end of edge.ends) {
			const there = at.get(end);
			if (there) there.push(edge);
			else at.set(end, [edge]);
		}
	}
	return at;
}

/** How far the ends of an edge may move against each other as it is now, mm; undefined where it is off. */
export function giveOf(
	{ id, slackMm, turnsWhenSlack }: Edge,
	fixings: Fixings
): number | undefined {
	const fixing = id === undefined ? 'tight' : (fixings.get(id) ?? 'tight');
	if (fixing === 'off') return undefined;
	return fixing === 'slack' && turnsWhenSlack ? Infinity : slackMm;
}

/** Where parts have to be: mm beyond where they hang, or out of the car. The body is at 0. */
export type Pins = ReadonlyMap<Node, number | 'out'>;

/** Parts that must come apart from each other. */
export type Apart = readonly (readonly [Node, Node])[];

/** Joints and contacts that together do not let parts be where they have to be. */
export type Tie = readonly Edge[];

/**
 * What keeps parts from where they have to be, first found; undefined when nothing does. A part that is out
 * takes nothing along. Between two parts that stay or move there may be no chain of joints that gives less
 * than they move against each other; parts in between go wherever they are pulled.
 */
export function tieOf(
	{ edges, at }: Graph,
	fixings: Fixings,
	pins: Pins,
	apart: Apart = []
): Tie | undefined {
	const isOut = (node: Node) => pins.get(node) === 'out';
	const isOn = (edge: Edge) => giveOf(edge, fixings) !== undefined;
	const together =
		apart.length > 0 &&
		edges.find(
			(edge) =>
				isOn(edge) &&
				apart.some(
					([x, y]) =>
						(x === edge.ends[0] && y === edge.ends[1]) || (x === edge.ends[1] && y === edge.ends[0])
				)
		);
	if (together) return [together];
	const holding = edges.find((edge) => isOut(edge.ends[0]) !== isOut(edge.ends[1]) && isOn(edge));
	if (holding) return [holding];
	const placed = [...pins].filter((pin): pin is [Node, number] => pin[1] !== 'out');
	// With one place there is nothing to move against.
	if (placed.length < 2) return undefined;
	for (const [start, place] of placed) {
		const tie = shortTie(at, fixings, start, place, pins);
		if (tie) return tie;
	}
	return undefined;
}

/** How a part was reached: over which joint, from where, and what all joints on the way give. */
interface Reached {
	mm: number;
	last?: { edge: Edge; from: Reached };
}

/** The chain from a part that has its place to another one that gives less than they move apart (Dijkstra 1959). */
function shortTie(
	at: ReadonlyMap<Node, readonly Edge[]>,
	fixings: Fixings,
	start: Node,
	startMm: number,
	pins: Pins
): Tie | undefined {
	const reached = new Map<Node, Reached>([[start, { mm: 0 }]]);
	const waiting = new Set([start]);
	while (waiting.size) {
		let node: Node | undefined;
		let from: Reached | undefined;
		for (const one of waiting) {
			const way = reached.get(one)!;
			if (!from || way.mm < from.mm) [node, from] = [one, way];
		}
		waiting.delete(node!);
		for (const edge of at.get(node!) ?? []) {
			if (edge === from!.last?.edge) continue;
			const give = giveOf(edge, fixings);
			if (give === undefined) continue;
			const [a, b] = edge.ends;
			const next = a === node ? b : a;
			const place = pins.get(next);
			if (place === 'out') continue;
			// Two parts with a place of their own turn against each other as the way wants it: only rubber minds.
			const articulates =
				!from!.last && place !== undefined && !edge.turnsWhenSlack && !isLine(edge);
			if (articulates) continue;
			const way: Reached = { mm: from!.mm + give, last: { edge, from: from! } };
			if (place !== undefined) {
				if (next !== start && way.mm < Math.abs(place - startMm)) return chain(way);
				continue;
			}
			if (way.mm < (reached.get(next)?.mm ?? Infinity)) {
				reached.set(next, way);
				waiting.add(next);
			}
		}
	}
	return undefined;
}

function chain(way: Reached): Tie {
	const tie: Edge[] = [];
	for (let { last } = way; last; last = last.from.last) tie.unshift(last.edge);
	return tie;
}

const isLine = ({ joint }: Edge): boolean => joint === undefined;

/** Parts of a corner that are joined to the body, or to another part that is held, by what carries weight. */
export function heldParts(
	{ edges }: Graph,
	corner: Corner,
	fixings: Fixings,
	held: ReadonlySet<Node> = new Set(),
	gone: ReadonlySet<Node> = new Set()
): Set<Node> {
	const found = new Set<Node>(['body', ...held]);
	const on = edges.filter(
		(edge) =>
			edge.holds &&
			edge.corner === corner &&
			giveOf(edge, fixings) !== undefined &&
			!gone.has(edge.ends[0]) &&
			!gone.has(edge.ends[1])
	);
	for (let grows = true; grows;) {
		grows = false;
		for (const { ends } of on) {
			const [a, b] = ends;
			if (found.has(a) === found.has(b)) continue;
			found.add(a).add(b);
			grows = true;
		}
	}
	return found;
}
