import { cornerNames, type Corner } from '../../../height/corners.ts';
import { defineKind } from '../../book/kind.ts';

export const bounce = defineKind<'bounce'>({
	kind: 'bounce',
	name: 'Bounce test',
	counts: 'last',
	saidAsKept: true,
	words: ({ movements, dampingRatio }, { subject }) =>
		`bounce ${subject.endsWith('/after') ? 'after the work ' : ''}at ${cornerNames[subject.slice(0, 2) as Corner].toLowerCase()}: ${[movements === null ? undefined : `${movements} movements`, dampingRatio === undefined ? undefined : `damping ratio ${dampingRatio.toFixed(2)}`].filter(Boolean).join(', ') || 'taken back'}`
});
