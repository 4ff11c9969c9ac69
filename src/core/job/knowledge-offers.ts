/** What earlier cars taught, as it is offered to a job. */
import type { KnowledgeScope, Knowledge } from '../work/shop-knowledge.ts';
import { isAnchor } from '../work/shop-knowledge.ts';
import type { WorkStep } from '../work/step.ts';
import type { WorkBook } from './work-book.ts';

/** Something that an earlier job taught, or that another shop shared. */
export interface OfferedKnowledge {
	id: string;
	scope: Exclude<KnowledgeScope, 'job'>;
	/** Of the axle where it was taught. */
	layout: string;
	own: Knowledge;
	/** Where it comes from: the job, or the other shop. */
	jobNumber: string | null;
	shop: string | null;
	person: string;
	/** When it was said, or taken in. */
	at: string;
}

/** Ids of all that this job said of itself, or took from what is known, or did not want. */
export const saidOf = (book: WorkBook): Set<string> =>
	new Set(book.of('own').flatMap(({ subject, data }) => [subject, ...(data.of ? [data.of] : [])]));

/** What is known and has its place in this job, and is not in it yet or was not taken back in it. */
export function offeredOwn(
	book: WorkBook,
	steps: readonly WorkStep[],
	known: readonly OfferedKnowledge[]
): OfferedKnowledge[] {
	const here = saidOf(book);
	return known.filter(({ id, own }) => !here.has(id) && steps.some((step) => isAnchor(step, own)));
}

/** What stands at a step: said in this job, or known of cars like it. */
export interface KnowledgeNote {
	id: string;
	own: Knowledge;
	/** Absent: of this job. */
	from?: OfferedKnowledge;
}

export function ownNotesAt(
	book: WorkBook,
	step: WorkStep,
	known: readonly OfferedKnowledge[]
): KnowledgeNote[] {
	const said = book
		.of('own')
		.filter(({ data }) => !data.removed && data.what !== 'step' && isAnchor(step, data))
		.map(({ subject, data }) => ({ id: subject, own: data }));
	const offered = offeredOwn(book, [step], known)
		.filter(({ own }) => own.what !== 'step')
		.map((from) => ({ id: from.id, own: from.own, from }));
	return [...said, ...offered];
}

/** Where something known comes from, in words. */
export const sourceOf = ({ jobNumber, shop, person, scope }: OfferedKnowledge): string =>
	`${{ car: 'this car', model: 'this model', layout: 'this layout' }[scope]}, ${
		shop ? `from ${shop}` : `job ${jobNumber}, ${person}`
	}`;
