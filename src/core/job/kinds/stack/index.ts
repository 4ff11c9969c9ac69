import { cornerNames, type Corner } from '../../../height/corners.ts';
import { defineKind } from '../../book/kind.ts';

export const stack = defineKind<'stack'>({
	kind: 'stack',
	name: 'Stack of the unit',
	counts: 'last',
	saidAsKept: true,
	words: ({ order }, { subject }) =>
		`unit of ${cornerNames[subject as Corner].toLowerCase()}, on so far: ${order.map((part) => part.replace('-', ' ')).join(', ') || 'nothing'}`
});
