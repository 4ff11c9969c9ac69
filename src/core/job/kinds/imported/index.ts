import { defineKind } from '../../book/kind.ts';

/** Written when a job is brought in from a file; nobody says it. */
export const imported = defineKind<'imported'>({
	kind: 'imported',
	name: 'Imported',
	counts: 'every',
	apply(record, { seq, data, personId, enteredAt }) {
		record.imported = { seq, ...data, personId, importedAt: enteredAt };
	},
	words: ({ from, verified }) =>
		`brought in from ${from ?? 'elsewhere'}: ${verified ? 'verified by its seal' : 'not verified'}`
});
