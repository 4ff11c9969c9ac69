import { describe, expect, it } from 'vitest';
import type { Axle, Corner } from '../height/corners';
import { layouts } from '../layout/catalogue';
import { damperOf, partOf, springArm, springSeat, unitOf } from '../layout/shape';
import type { Layout, LayoutWay } from '../layout/types';
import { costOf, freed } from './freeing';
import {
	byEnd,
	giveOf,
	graphOf,
	type Edge,
	type Fixing,
	type Graph,
	type JointId,
	type Node
} from './graph';

interface Case {
	name: string;
	layout: Layout;
	graph: Graph;
	pins: Map<Node, number | 'out'>;
	apart: [Node, Node][];
}

/** Every part that comes out of every layout, by every way, at one corner. */
function* cases(): Generator<Case> {
	for (const layout of layouts) {
		const axle: Axle = layout.axles[0]!;
		const corner: Corner = axle === 'front' ? 'FL' : 'RL';
		const graph = graphOf(layout, axle);
		const damper = damperOf(layout).key;
		// What both sides share goes down with both of them.
		const sidesOf = (way?: LayoutWay): Corner[] =>
			way?.moves && 'subframe' in way.moves ? ['RL', 'RR'] : [corner];
		const pinsOf = (out: boolean, way?: LayoutWay): Case['pins'] =>
			new Map<Node, number | 'out'>([
				['body', 0],
				...sidesOf(way).flatMap((at): [Node, number | 'out'][] => [
					...Object.entries(way?.moves ?? {}).map(([key, mm]): [Node, number] => [
						graph.node(key, at),
						mm
					]),
					...(out
						? unitOf(layout, damper).map((key): [Node, 'out'] => [graph.node(key, at), 'out'])
						: [])
				])
			]);
		const apartOf = (way?: LayoutWay) =>
			sidesOf(way).flatMap((at) =>
				(way?.apart ?? []).map(([a, b]): [Node, Node] => [graph.node(a, at), graph.node(b, at)])
			);
		for (const way of layout.assembly.ways[damper] ?? [undefined]) {
			const name = `${layout.key}: damper ${way?.key ?? 'out'}`;
			yield { name, layout, graph, pins: pinsOf(true, way), apart: apartOf(way) };
		}
		for (const way of layout.assembly.ways.spring ?? []) {
			for (const out of [false, true]) {
				const name = `${layout.key}: spring by ${way.key}${out ? ' and damper' : ''}`;
				yield { name, layout, graph, pins: pinsOf(out, way), apart: apartOf(way) };
			}
		}
	}
}
const all = [...cases()];

/**
 * Whether all parts can be where they have to be: places for every part with |difference| ≤ give along each joint
 * that is on, as difference constraints, which have a solution unless a cycle is negative (Bellman 1958). Knows
 * neither chains nor costs.
 */
function canBe({ graph, pins, apart }: Case, fixings: ReadonlyMap<JointId, Fixing>): boolean {
	const on = graph.edges.filter((edge) => giveOf(edge, fixings) !== undefined);
	const isOut = (node: Node) => pins.get(node) === 'out';
	for (const { ends } of on) {
		const [a, b] = ends;
		if (isOut(a) !== isOut(b)) return false;
		if (apart.some(([x, y]) => ends.includes(x) && ends.includes(y))) return false;
	}
	const limits: { from: Node; to: Node; mm: number }[] = [];
	const between = (a: Node, b: Node, low: number, high: number) =>
		limits.push({ from: a, to: b, mm: high }, { from: b, to: a, mm: -low });
	for (const [node, place] of pins) if (place !== 'out') between('body', node, place, place);
	for (const edge of on) {
		const [a, b] = edge.ends;
		if (isOut(a)) continue;
		const give = giveOf(edge, fixings)!;
		const articulates = pins.has(a) && pins.has(b) && !edge.turnsWhenSlack && edge.joint;
		if (!articulates && Number.isFinite(give)) between(a, b, -give, give);
	}
	const nodes = new Set(limits.flatMap(({ from, to }) => [from, to]));
	const at = new Map([...nodes].map((node) => [node, 0]));
	for (let round = 0; round <= nodes.size; round++) {
		let changed = false;
		for (const { from, to, mm } of limits) {
			if (at.get(from)! + mm >= at.get(to)! - 1e-9) continue;
			at.set(to, at.get(from)! + mm);
			changed = true;
		}
		if (!changed) return true;
	}
	return false;
}

/**
 * A case by groups of joints that meet in parts without a place of their own. What happens between parts that
 * have their place never reaches past them, so a set is enough when it is enough in each group, and the cheapest
 * of a whole is the cheapest of each.
 */
function groupsOf(one: Case): Case[] {
	const { graph, pins } = one;
	const groups: { edges: Edge[]; free: Set<Node> }[] = [];
	for (const edge of graph.edges) {
		const free = edge.ends.filter((end) => !pins.has(end));
		const met = groups.filter((group) => free.some((end) => group.free.has(end)));
		const joined = {
			edges: [...met.flatMap(({ edges }) => edges), edge],
			free: new Set([...met.flatMap((group) => [...group.free]), ...free])
		};
		for (const group of met) groups.splice(groups.indexOf(group), 1);
		groups.push(joined);
	}
	return groups.map(({ edges }) => ({ ...one, graph: { ...graph, edges, at: byEnd(edges) } }));
}

/** Every set of joints that costs less, undone or slackened; true when one of them is enough. */
function cheaperIsEnough(one: Case, cost: number): boolean {
	const { graph, pins, apart } = one;
	const far = Math.max(0, ...[...pins.values()].map((place) => (place === 'out' ? 0 : place)));
	const movers = new Set([...pins].filter(([, place]) => place !== 0).map(([node]) => node));
	const choices = graph.edges.flatMap((edge) => {
		// What comes off only where a way parts it is in no set but that one's.
		const parted = apart.some(([a, b]) => edge.ends.includes(a) && edge.ends.includes(b));
		if (!edge.id || edge.joint!.bench || (edge.joint!.onlyByWay && !parted)) return [];
		const off = { id: edge.id, fixing: 'off' as const, cost: costOf(edge, graph, movers) };
		// Slack helps only where tight rubber gives less than anything moves.
		const slack = edge.turnsWhenSlack && edge.slackMm < far;
		return slack ? [off, { id: edge.id, fixing: 'slack' as const, cost: 0.6 }] : [off];
	});
	// A joint between a part that comes out and one that stays is in every set: it is not left to chance.
	const must = new Map<JointId, Fixing>();
	for (const { id, ends, joint } of graph.edges) {
		const [a, b] = ends;
		if (id && !joint!.bench && (pins.get(a) === 'out') !== (pins.get(b) === 'out'))
			must.set(id, 'off');
	}
	const spent = graph.edges
		.filter(({ id }) => id && must.has(id))
		.reduce((sum, edge) => sum + costOf(edge, graph, movers), 0);
	const open = choices.filter(({ id }) => !must.has(id));
	const search = (from: number, fixings: Map<JointId, Fixing>, sum: number): boolean => {
		if (sum < cost - 1e-6 && canBe(one, fixings)) return true;
		// Undoing more never hurts: where all the rest undone is not enough, no part of it is.
		const all = new Map(fixings);
		for (const { id } of open.slice(from)) all.set(id, 'off');
		if (!canBe(one, all)) return false;
		for (let i = from; i < open.length; i++) {
			const { id, fixing, cost: more } = open[i]!;
			if (fixings.has(id) || sum + more >= cost - 1e-6) continue;
			if (search(i + 1, new Map(fixings).set(id, fixing), sum + more)) return true;
		}
		return false;
	};
	return search(0, must, spent);
}

const costOfAll = ({ graph, pins }: Case, fixings: ReadonlyMap<JointId, Fixing>): number => {
	const movers = new Set([...pins].filter(([, place]) => place !== 0).map(([node]) => node));
	return graph.edges.reduce((sum, edge) => {
		const fixing = edge.id ? fixings.get(edge.id) : undefined;
		if (!fixing) return sum;
		return sum + (fixing === 'slack' ? 0.6 : costOf(edge, graph, movers));
	}, 0);
};

/** The set as it was found, before links of the bar are taken with their fellows. */
function withoutFellows({ graph, pins, apart }: Case): Map<JointId, Fixing> {
	const { fixings } = freed(graph, pins, apart);
	const set = new Map(fixings);
	const links = graph.edges.filter(({ joint, id }) => joint?.pair && id && set.get(id) === 'off');
	for (const { id } of links) {
		const less = new Map(set);
		less.delete(id!);
		if (canBe({ graph, pins, apart } as Case, less)) set.delete(id!);
	}
	return set;
}

describe('what comes apart', () => {
	it.each(all.map((one) => [one.name, one] as const))(
		'is enough, and nothing of it too much: %s',
		(_, one) => {
			const set = withoutFellows(one);
			expect(canBe(one, set)).toBe(true);
			for (const id of set.keys()) {
				const less = new Map(set);
				less.delete(id);
				expect(canBe(one, less), `without ${id}`).toBe(false);
			}
		}
	);

	it.each(all.map((one) => [one.name, one] as const))(
		'is the cheapest of all sets that are enough: %s',
		(_, one) => {
			const set = withoutFellows(one);
			for (const group of groupsOf(one)) {
				const cost = costOfAll(group, set);
				expect(cheaperIsEnough(group, cost)).toBe(false);
				// The search can find: given a little more, it comes upon a set that is enough.
				expect(cheaperIsEnough(group, cost + 0.01)).toBe(true);
			}
		}
	);

	it('is two ends and nothing else for a damper with its spring beside it', () => {
		for (const layout of layouts.filter((one) => springSeat(one) === 'on-arm')) {
			const axle = layout.axles[0]!;
			const corner = axle === 'front' ? 'FL' : 'RL';
			const graph = graphOf(layout, axle);
			const pins = new Map<Node, number | 'out'>([['body', 0]]);
			for (const part of unitOf(layout, 'damper')) pins.set(graph.node(part, corner), 'out');
			expect([...freed(graph, pins).off].sort(), layout.key).toEqual([
				`${corner}/damper-bottom`,
				`${corner}/damper-top`
			]);
		}
	});

	it('slackens rubber that an arm let down would tear, and leaves it where it does not', () => {
		const found = all
			.filter(({ name }) => name.endsWith('spring by lower-arm'))
			.map((one) => [one.layout.key, freed(one.graph, one.pins, one.apart).slack.length]);
		expect(Object.fromEntries(found)).toEqual({
			'double-wishbone-spring-on-arm': 2,
			'live-axle-front': 0,
			'live-axle-coil-damper': 0,
			'multi-link-subframe': 1,
			'multi-link-rear': 1,
			'multi-link-damper-knuckle': 1,
			'trailing-arm-rear': 0,
			'semi-trailing-rear': 0,
			'twist-beam-spring': 0,
			'live-axle-rear': 0
		});
	});

	it('lets every spring get loose: its seats come as far apart as it needs', () => {
		for (const layout of layouts) {
			const arm = springArm(layout);
			if (!arm) continue;
			for (const { key, moves, compressor } of layout.assembly.ways.spring!) {
				const far = moves?.[arm.key] ?? 0;
				expect(compressor === true || far >= partOf(layout, 'spring')!.looseMm!, key).toBe(true);
			}
		}
	});

	it('says so when a layout lets nothing free a part', () => {
		const layout = layouts[0]!;
		const graph = graphOf(layout, 'front');
		expect(() => freed(graph, new Map([['FL:tie-rod', 'out']]))).toThrow(
			/nothing frees FL:tie-rod/
		);
	});
});
