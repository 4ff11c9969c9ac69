import type { Axle } from '../height/corners.ts';
import type { Layout } from '../layout/types.ts';
import { mayClear } from './in-the-way.ts';
import {
	anchorOf,
	carOf,
	isAnchor,
	isOfCar,
	ownEdges,
	type Knowledge,
	type KnowledgeEdge
} from './shop-knowledge.ts';
import type { WorkStep } from './step.ts';

/**
 * What is wrong with something of one's own in this job, by field; nothing where it has its place.
 *
 * @param steps of the job, without its own
 * @param layouts of the car, as they are usually built
 */
export function ownFault(
	one: Knowledge,
	steps: readonly WorkStep[],
	edges: readonly KnowledgeEdge[],
	layouts: Readonly<Record<Axle, Layout>>
): { field: 'anchor' | 'before' | 'where' | 'cover'; words: string } | undefined {
	if (isOfCar(one)) return carFault(one, layouts);
	const anchor = steps.find((step) => isAnchor(step, one));
	if (!anchor) return { field: 'anchor', words: 'is no step of this job at that place' };
	if (one.before === undefined) return undefined;
	const next = steps.find(
		(step) =>
			anchorOf(step) === one.before &&
			(step.corners.length > 1 || anchor.corners.includes(step.corners[0]!))
	);
	if (!next) return { field: 'before', words: 'is no step of this job at that place' };
	const held = ownEdges([{ ...one, what: 'step', id: 'x' }], steps, edges);
	return held.some(({ after }) => after === next.id)
		? undefined
		: { field: 'before', words: `“${next.title}” comes before “${anchor.title}” and stays there` };
}

/** What is wrong with something that is said to be so of the car. */
export function carFault(
	one: Knowledge,
	layouts: Readonly<Record<Axle, Layout>>
): { field: 'anchor' | 'where' | 'cover'; words: string } | undefined {
	if (one.where === 'car') return { field: 'where', words: 'is an axle for what a car has' };
	const layout = layouts[one.where];
	const key = carOf(one);
	if (one.what === 'part') {
		const known = mayClear(layout).some((part) => part.key === key);
		return known ? undefined : { field: 'anchor', words: 'is no part that may come off besides' };
	}
	if (one.what === 'not-there') {
		const usual = layout.assembly.covers.some((cover) => cover.key === key);
		return usual ? undefined : { field: 'anchor', words: 'is no usual cover of this axle' };
	}
	if (one.cover?.key !== key) return { field: 'anchor', words: 'is not the key of its cover' };
	const lost = one.cover.over.find((joint) => layout.joints.every((other) => other.key !== joint));
	if (lost !== undefined) return { field: 'cover', words: `${lost} is no joint of this axle` };
	const bare = layout.joints.find(
		({ key, rule }) => rule === 'wheels-on-ground' && one.cover!.over.includes(key)
	);
	if (bare) {
		return {
			field: 'cover',
			words: `${bare.key} gets its torque on the wheels: nothing covers it`
		};
	}
	if (one.cover.liesOn?.includes(key)) return { field: 'cover', words: 'does not lie on itself' };
	return undefined;
}
