/** What is to be renewed on a job's car, from its book, and which of its steps are left. */
import type { Axle } from '../height/corners.ts';
import { rustFound } from '../inspect/points.ts';
import { resetAdvice } from '../inspect/advice.ts';
import { findLayout } from '../layout/registry.ts';
import type { Layout } from '../layout/types.ts';
import { clearedParts, withCovers } from '../work/in-the-way.ts';
import type { KnowledgeInJob } from '../work/shop-knowledge.ts';
import { usualStrategy, type AxleScope, type WorkScope } from '../work/scope.ts';
import { workSteps } from '../work/assembly-steps.ts';
import { wasDoneAt, type WorkStep } from '../work/step.ts';
import type { WorkPhase } from '../work/terms.ts';
import { findingsOf } from './findings.ts';
import { extraSteps } from './extras.ts';
import type { JobRecord } from './record.ts';
import { WorkBook, axles } from './work-book.ts';

/** The layouts a car is built of. */
export function layoutsOf(record: Pick<JobRecord, 'vehicle'>): Record<Axle, Layout> {
	const { front, rear } = record.vehicle.axles;
	return { front: findLayout(front.layout)!, rear: findLayout(rear.layout)! };
}

/** What is to be done: what is renewed, and what accepted advice adds to it. */
export function scopeOf(record: JobRecord, book: WorkBook): WorkScope {
	const said = scopeSaid(record, book);
	const all = axles.flatMap((axle): [Axle, AxleScope][] => {
		const want = said.axles[axle];
		const reset = book.get('decision', resetAdvice(axle))?.state === 'accepted';
		return want ? [[axle, { ...want, ...(reset && { reset }) }]] : [];
	});
	return { ...said, axles: Object.fromEntries(all) };
}

/** What the book says is to be renewed, and how. */
export function scopeSaid(record: JobRecord, book: WorkBook): WorkScope {
	const scoped = axles.flatMap((axle): [Axle, AxleScope][] => {
		const want = book.get('scope', axle);
		return want ? [[axle, want]] : [];
	});
	const own = ownOf(book);
	const layouts = layoutsOf(record);
	return {
		axles: Object.fromEntries(
			scoped.map(([axle, want]) => {
				const clear = clearedParts(layouts[axle], axle, own);
				return [axle, clear.length ? { ...want, clear } : want];
			})
		),
		corners: record.corners,
		layouts: {
			front: withCovers(layouts.front, 'front', own),
			rear: withCovers(layouts.rear, 'rear', own)
		},
		strategy: book.get('strategy') ?? usualStrategy,
		// What somebody says of it counts more than what the look at single threads gave.
		rust: book.get('rust')?.grade ?? rustFound(findingsOf(book)) ?? 'none',
		own: [...own, ...extraSteps(book)],
		done: book.of('step').map(({ subject, data: { state, overrideReason, joints } }) => ({
			stepId: subject,
			...(joints && { joints }),
			inTurn: state === 'done' && !overrideReason
		}))
	};
}

/** What stands of the shop's own in a job. */
const ownOf = (book: WorkBook): KnowledgeInJob[] =>
	book.of('own').flatMap(({ subject, data }) => (data.removed ? [] : [{ ...data, id: subject }]));

const beforeTheRound: readonly WorkPhase[] = ['strip', 'bench', 'refit'];

/** Whether a step was ticked off, at all that it is at now. */
export function isTicked(book: WorkBook, step: WorkStep): boolean {
	const said = book.get('step', step.id);
	return said?.state === 'done' && wasDoneAt(said.joints, step);
}

/** Steps of taking apart and putting together that were not ticked off; those of the round count there. */
export function stepsLeft(record: JobRecord): number {
	const book = WorkBook.of(record);
	return workSteps(scopeOf(record, book)).filter(
		(step) =>
			beforeTheRound.includes(step.phase) && step.doneIn !== 'round' && !isTicked(book, step)
	).length;
}
