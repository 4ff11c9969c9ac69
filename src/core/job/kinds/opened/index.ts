import { defineKind } from '../../book/kind.ts';

/** The first entry of every book. */
export const opened = defineKind<'opened'>({
	kind: 'opened',
	name: 'Job opened',
	counts: 'last',
	apply(record, { data, personId, enteredAt }) {
		const { number: _, ...head } = data;
		Object.assign(record, head, { createdBy: personId, openedAt: enteredAt });
	},
	words: ({ vehicle: { plate, make, model }, complaint, purpose }) =>
		`opened for ${plate}, ${make} ${model}${purpose === 'set' ? ', to measure and set' : ''}: ${complaint}`
});
