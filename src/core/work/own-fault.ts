import { anchorOf, isAnchor, ownEdges, type Own, type OwnEdge } from './own.ts';
import type { WorkStep } from './step.ts';

/**
 * What is wrong with something of one's own in this job, by field; nothing where it has its place.
 *
 * @param steps of the job, without its own
 */
export function ownFault(
	one: Own,
	steps: readonly WorkStep[],
	edges: readonly OwnEdge[]
): { field: 'anchor' | 'before'; words: string } | undefined {
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
