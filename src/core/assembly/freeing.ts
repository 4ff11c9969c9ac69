/** The fewest joints to undo or slacken so that parts come out or go where a way wants them. */
import {
	jointId,
	tieOf,
	type Apart,
	type Edge,
	type Fixing,
	type Fixings,
	type Graph
} from './graph.ts';
import type { Layout } from '../layout/types.ts';
import type { JointId, Node, Pins } from './graph.ts';

export interface Freed {
	fixings: Fixings;
	/** Undone. */
	off: readonly JointId[];
	/** Slackened only, so that rubber turns freely. */
	slack: readonly JointId[];
}

interface Choice {
	id: JointId;
	fixing: Fixing;
	cost: number;
}

/**
 * What undoing a joint costs, in joints; own choice. A cover to take off first counts as half a one more; what
 * may break, what has more fasteners, and what is further from the part that moves, comes after what is as good
 * otherwise.
 */
export function costOf(
	edge: Edge,
	{ layout }: Graph,
	nearTo: ReadonlySet<Node> = new Set()
): number {
	const { joint, ends } = edge;
	const covers = layout.assembly.covers.filter(({ over }) => over.includes(joint!.key)).length;
	const breaks = joint!.kind === 'ball-joint' || joint!.holdStud ? 0.2 : 0;
	const far = ends.some((end) => nearTo.has(end)) ? 0 : 0.05;
	const more = 0.25 * ((joint!.fasteners ?? 1) - 1);
	return 1 + 0.5 * covers + breaks + far + more;
}
/** A nut that is only slackened. */
const slackCost = 0.6;

/** What was found before, by layout: a plan asks the same again at each of its steps. */
const found = new WeakMap<Layout, Map<string, Freed>>();

/**
 * The cheapest joints by which parts get free, found by branching over each chain that still ties them.
 *
 * @param pins parts that come out, or that move beyond where they hang, mm
 * @param apart parts that come apart from each other
 * @throws where a part cannot be freed by joints: a layout that contradicts itself
 */
export function freed(graph: Graph, pins: Pins, apart: Apart = []): Freed {
	const known = found.get(graph.layout) ?? new Map<string, Freed>();
	found.set(graph.layout, known);
	const key = JSON.stringify([graph.edges[0]?.corner, [...pins], apart]);
	const answer = known.get(key) ?? cheapest(graph, pins, apart);
	known.set(key, answer);
	return answer;
}

function cheapest(graph: Graph, pins: Pins, apart: Apart): Freed {
	const movers = new Set([...pins].filter(([, place]) => place !== 0).map(([node]) => node));
	let best: { cost: number; fixings: Map<JointId, Fixing> } | undefined;
	const search = (fixings: Map<JointId, Fixing>, cost: number) => {
		if (best && cost >= best.cost - 1e-9) return;
		const tie = tieOf(graph, fixings, pins, apart);
		if (!tie) {
			best = { cost, fixings };
			return;
		}
		const choices = tie.flatMap((edge) => choicesOf(edge, fixings)).sort((a, b) => a.cost - b.cost);
		for (const choice of choices) {
			const spent = fixings.get(choice.id) === 'slack' ? slackCost : 0;
			search(new Map(fixings).set(choice.id, choice.fixing), cost + choice.cost - spent);
		}
	};
	const choicesOf = (edge: Edge, fixings: Fixings): Choice[] => {
		const { id, joint, turnsWhenSlack, ends } = edge;
		if (id === undefined || joint!.bench) return [];
		if (joint!.onlyByWay && !parted(ends, pins, apart)) return [];
		const off: Choice = { id, fixing: 'off', cost: costOf(edge, graph, movers) };
		const helps = turnsWhenSlack && !fixings.has(id) && !parted(ends, pins, apart);
		return helps ? [{ id, fixing: 'slack', cost: slackCost }, off] : [off];
	};
	search(new Map(), 0);
	if (!best) throw new Error(`${graph.layout.key}: nothing frees ${[...pins.keys()].join(', ')}`);
	return withPairs(graph, best.fixings);
}

/** The ends of a joint are to part for good: slack is no help. */
const parted = (ends: Edge['ends'], pins: Pins, apart: Apart): boolean =>
	ends.some((end) => pins.get(end) === 'out') ||
	apart.some(([a, b]) => ends.includes(a) && ends.includes(b));

/** A link of the anti-roll bar goes with its fellow: one alone is under load. */
function withPairs({ edges }: Graph, fixings: ReadonlyMap<JointId, Fixing>): Freed {
	const all = new Map(fixings);
	for (const { joint, corner } of edges) {
		if (!joint?.pair || fixings.get(jointId(corner, joint.key)) !== 'off') continue;
		for (const one of edges) if (one.joint === joint) all.set(one.id!, 'off');
	}
	const ids = edges.flatMap(({ id }) => id ?? []);
	return {
		fixings: all,
		off: ids.filter((id) => all.get(id) === 'off'),
		slack: ids.filter((id) => all.get(id) === 'slack')
	};
}
