/** Work found on the way: what the customer said of it, and its place in the plan. */
import type { KnowledgeInJob } from '../work/shop-knowledge.ts';
import type { Data as ExtraData } from './kinds/extra/data.ts';
import type { WorkBook } from './work-book.ts';

export interface Extra extends ExtraData {
	id: string;
}

export const extrasOf = (book: WorkBook): Extra[] =>
	book.of('extra').flatMap(({ subject, data }) => (data.removed ? [] : [{ ...data, id: subject }]));

/** What was agreed is a step of its own, on the stands. */
export const extraSteps = (book: WorkBook): KnowledgeInJob[] =>
	extrasOf(book)
		.filter(({ state }) => state === 'agreed')
		.map(({ id, what, minutes }) => ({
			id,
			what: 'step',
			text: what,
			where: 'car',
			anchor: 'stands',
			before: 'ground',
			...(minutes !== undefined && { minutes })
		}));

/** The id of the step of something agreed. */
export const extraStepId = (id: string): string => `car/own:${id}`;

/** Whether it is done: ticked off in the plan, or said to be where nothing is planned. */
export const isExtraDone = (book: WorkBook, { id, done }: Extra): boolean =>
	done === true || book.get('step', extraStepId(id))?.state === 'done';
