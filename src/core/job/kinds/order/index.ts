import { defineKind } from '../../book/kind.ts';

export const order = defineKind<'order'>({
	kind: 'order',
	name: 'Order of work',
	counts: 'last',
	saidAsKept: true,
	words: ({ ids }) =>
		ids.length ? 'order of work changed by hand' : 'order of work as the rules have it'
});
