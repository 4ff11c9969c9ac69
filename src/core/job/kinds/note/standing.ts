import type { Entry } from '../../book/entry.ts';

/** A note that stays with a car. */
export interface CarNote {
	/** The entry that says it. */
	id: string;
	jobId: string;
	jobNumber: string;
	person: string;
	text: string;
	enteredAt: string;
}

/**
 * The notes on a job's car, latest first: those of other jobs as they are kept with the car, and what this
 * job's own book says since.
 */
export function standingNotes(
	job: { id: string; number: string; entries: readonly Entry[] },
	kept: readonly CarNote[],
	nameOf: (personId: string) => string
): CarNote[] {
	const said = job.entries.filter((entry): entry is Entry<'note'> => entry.kind === 'note');
	const gone = new Set(said.map(({ corrects }) => corrects));
	const own = said
		.filter(({ data }) => !data.withdrawn)
		.map(({ id, personId, enteredAt, data: { text } }) => ({
			id,
			jobId: job.id,
			jobNumber: job.number,
			person: nameOf(personId),
			text,
			enteredAt
		}));
	return [...own, ...kept.filter(({ jobId }) => jobId !== job.id)]
		.filter(({ id }) => !gone.has(id))
		.sort((a, b) => b.enteredAt.localeCompare(a.enteredAt));
}
