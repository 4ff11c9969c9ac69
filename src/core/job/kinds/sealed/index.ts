import { defineKind } from '../../book/kind.ts';

/** Follows a signature; nobody says it. */
export const sealed = defineKind<'sealed'>({
	kind: 'sealed',
	name: 'Seal',
	counts: 'every',
	apply(record, { seq, data }) {
		record.seals.push({ seq, ...data });
	},
	words: ({ head, keyId }) => `sealed at ${head.slice(0, 16)} with the shop’s key ${keyId}`
});
