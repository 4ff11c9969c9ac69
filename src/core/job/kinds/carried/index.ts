import { defineKind } from '../../book/kind.ts';

/** Ends what was carried over from before there was one book. */
export const carried = defineKind<'carried'>({
	kind: 'carried',
	name: 'Carried over',
	counts: 'last',
	words: ({ chain, changes }) =>
		`carried over from an earlier version with ${changes.length} ${changes.length === 1 ? 'change' : 'changes'} of its head${chain.length ? `; its first chain of ${chain.length} ended with ${chain.at(-1)!.hash.slice(0, 16)}` : ''}`
});
