/** What drops when joints come apart, and so is held by a jack or a strap until they are together again. */
import type { Corner } from '../height/corners.ts';
import type { Holder, LayoutPart } from '../layout/types.ts';
import { giveOf, heldParts, type Fixings, type Graph, type Node } from './graph.ts';

export interface Held {
	part: LayoutPart;
	by: Holder;
}

/**
 * Parts of a corner that need a hold: what nothing carries any more, and what a way moves against what carries
 * it. An arm is held before what hangs on it, which may then hang there still.
 *
 * @param gone parts that are out of the car
 * @param moved how far a way moves parts, mm
 */
export function partsToHold(
	graph: Graph,
	corner: Corner,
	fixings: Fixings,
	gone: ReadonlySet<Node>,
	moved: ReadonlyMap<Node, number>
): Held[] {
	const own = graph.layout.assembly.parts.filter(({ heldBy }) => heldBy !== undefined);
	const order = [...own].sort((a, b) => rank(a) - rank(b));
	const held = new Set<Node>();
	return order.flatMap((part): Held[] => {
		const node = graph.node(part.key, corner);
		const carried = heldParts(graph, corner, fixings, held, gone).has(node);
		if (gone.has(node) || (carried && staysOn(graph, fixings, held, node, moved))) return [];
		held.add(node);
		return [{ part, by: part.heldBy! }];
	});
}

/** A part that stays, or goes along with a held part that it is still joined to. */
export function staysOn(
	{ edges }: Graph,
	fixings: Fixings,
	held: ReadonlySet<Node>,
	node: Node,
	moved: ReadonlyMap<Node, number>
): boolean {
	const mm = moved.get(node) ?? 0;
	if (mm === 0) return true;
	return edges.some((edge) => {
		const [a, b] = edge.ends;
		const other = a === node ? b : a;
		const joined = edge.holds && (a === node || b === node) && giveOf(edge, fixings) !== undefined;
		return joined && held.has(other) && moved.get(other) === mm;
	});
}

const rank = ({ heldBy }: LayoutPart): number => ['jack', 'strap', 'hook'].indexOf(heldBy!);
