import { refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';
import type { Check } from './data.ts';

const said = {
	drive: { good: 'driven: nothing heard or felt', bad: 'driven' },
	marks: { good: 'every paint mark seen again: none has moved', bad: 'a paint mark has moved' }
};

export const checked = defineKind<'checked'>({
	kind: 'checked',
	name: 'Checked at the end',
	counts: 'last',
	saidAsKept: true,
	decide({ command: { subject }, said: given }) {
		if (given.state === 'bad' && !given.words) throw refuse('words', 'say what it was, and where');
		return [{ kind: 'checked', subject, data: given }];
	},
	words({ state, words, at }, { subject }) {
		if (state === 'open')
			return `${subject === 'drive' ? 'the drive' : 'the look at the paint marks'} taken back`;
		return [`${said[subject as Check][state]}${at && ` (${at})`}`, words]
			.filter(Boolean)
			.join(': ');
	}
});
