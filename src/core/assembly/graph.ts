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

export function graphOf(layout: Layout, axle: Axle): Graph {
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
	return { layout, edges, parts, node };
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
	{ edges }: Graph,
	fixings: Fixings,
	pins: Pins,
	apart: Apart = []
): Tie | undefined {
	const isOut = (node: Node) => pins.get(node) === 'out';
	const on = edges.filter((edge) => giveOf(edge, fixings) !== undefined);
	const together = on.find(({ ends: [a, b] }) =>
		apart.some(([x, y]) => (x === a && y === b) || (x === b && y === a))
	);
	if (together) return [together];
	const holding = on.find(({ ends: [a, b] }) => isOut(a) !== isOut(b));
	if (holding) return [holding];
	const placeOf = (node: Node) => (node === 'body' ? 0 : pins.get(node));
	const at = new Map<Node, Edge[]>();
	for (const edge of on) {
		for (const end of edge.ends) at.set(end, [...(at.get(end) ?? []), edge]);
	}
	for (const [start, place] of pins) {
		if (place === 'out') continue;
		const tie = shortTie(at, fixings, start, place, placeOf);
		if (tie) return tie;
	}
	return undefined;
}

/** The chain from a part that has its place to another one that gives less than they move apart (Dijkstra 1959). */
function shortTie(
	at: ReadonlyMap<Node, readonly Edge[]>,
	fixings: Fixings,
	start: Node,
	startMm: number,
	placeOf: (node: Node) => number | 'out' | undefined
): Tie | undefined {
	const reached = new Map<Node, { mm: number; by: Tie }>([[start, { mm: 0, by: [] }]]);
	const waiting = new Set([start]);
	while (waiting.size) {
		const node = [...waiting].reduce((a, b) => (reached.get(b)!.mm < reached.get(a)!.mm ? b : a));
		waiting.delete(node);
		const { mm, by } = reached.get(node)!;
		for (const edge of at.get(node) ?? []) {
			const [a, b] = edge.ends;
			const next = a === node ? b : a;
			const place = placeOf(next);
			if (place === 'out' || by.includes(edge)) continue;
			// Two parts with a place of their own turn against each other as the way wants it: only rubber minds.
			const articulates =
				by.length === 0 && place !== undefined && !edge.turnsWhenSlack && !isLine(edge);
			if (articulates) continue;
			const sum = mm + giveOf(edge, fixings)!;
			if (place !== undefined) {
				if (next !== start && sum < Math.abs(place - startMm)) return [...by, edge];
				continue;
			}
			if (sum < (reached.get(next)?.mm ?? Infinity)) {
				reached.set(next, { mm: sum, by: [...by, edge] });
				waiting.add(next);
			}
		}
	}
	return undefined;
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
			!edge.ends.some((end) => gone.has(end))
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
