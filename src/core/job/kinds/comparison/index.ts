import { cornerNames } from '../../../height/corners.ts';
import { defineKind } from '../../book/kind.ts';

export const comparison = defineKind<'comparison'>({
	kind: 'comparison',
	name: 'Old against new',
	counts: 'last',
	saidAsKept: true,
	words: ({ corner: at, part, outcome, reason }) =>
		`${part} compared at ${cornerNames[at].toLowerCase()}: ${outcome}${reason ? ` (${reason})` : ''}`
});
