import { defineKind } from '../../book/kind.ts';
import { partStatusNames } from './data.ts';

export const part = defineKind<'part'>({
	kind: 'part',
	name: 'Part',
	counts: 'last',
	saidAsKept: true,
	words: ({ number, status, note, oldNumber }, { subject }) =>
		`part ${subject.replace(/[:/-]/g, ' ')}: ${[partStatusNames[status].toLowerCase(), number, oldNumber && `old one ${oldNumber}`, note].filter(Boolean).join(', ')}`
});
