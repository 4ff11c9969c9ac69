import { refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';
import { extraStateNames } from '../../extra-states.ts';

/** Work that was found on the way: told to the customer, and agreed or declined before a hand is laid on it. */
export const extra = defineKind<'extra'>({
	kind: 'extra',
	name: 'Found on the way',
	counts: 'last',
	saidAsKept: true,
	decide({ command: { subject }, said }) {
		if (said.done && said.state !== 'agreed') {
			throw refuse('done', 'is done only when the customer agreed to it', said.state);
		}
		return [{ kind: 'extra', subject, data: said }];
	},
	words: ({ what, state, words, done, removed }) =>
		removed
			? `found on the way, taken back: ${what}`
			: `found on the way: ${what}; ${done ? 'done' : extraStateNames[state].toLowerCase()}${words ? ` (${words})` : ''}`
});
