import type { Changes, Fate, StackPart } from '../../../bench/stack.ts';
import { cornerNames, type Corner } from '../../../height/corners.ts';
import { defineKind } from '../../book/kind.ts';

const of = (changes: Changes, fate: Fate, words: string): string => {
	const parts = (Object.keys(changes) as StackPart[]).filter(
		(part) => changes[part]?.fate === fate
	);
	return parts.length ? `${words}${parts.map((part) => part.replace('-', ' ')).join(', ')}` : '';
};

export const stack = defineKind<'stack'>({
	kind: 'stack',
	name: 'Stack of the unit',
	counts: 'last',
	saidAsKept: true,
	words: ({ order, changed = {} }, { subject }) =>
		`unit of ${cornerNames[subject as Corner].toLowerCase()}, on so far: ${order.map((part) => part.replace('-', ' ')).join(', ') || 'nothing'}${of(changed, 'kept', '; from the old one: ')}${of(changed, 'none', '; this car has none: ')}`
});
