import { defineKind } from '../../book/kind.ts';

export const rust = defineKind<'rust'>({
	kind: 'rust',
	name: 'Rust',
	counts: 'last',
	saidAsKept: true,
	words: ({ grade }) => `rust: ${grade}`
});
