import { cornerNames, type Corner } from '../../../height/corners.ts';
import { defineKind } from '../../book/kind.ts';

export const bounce = defineKind<'bounce'>({
	kind: 'bounce',
	name: 'Bounce test',
	counts: 'last',
	saidAsKept: true,
	words: ({ movements, dampingRatio }, { subject }) =>
		`bounce at ${cornerNames[subject as Corner].toLowerCase()}: ${[movements === null ? undefined : `${movements} movements`, dampingRatio === undefined ? undefined : `damping ratio ${dampingRatio.toFixed(2)}`].filter(Boolean).join(', ') || 'taken back'}`
});
