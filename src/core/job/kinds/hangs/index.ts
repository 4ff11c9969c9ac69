import { cornerNames, type Corner } from '../../../height/corners.ts';
import { refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';

/** A loaded corner hangs again: what is pulled there from then on is pulled hanging. */
export const hangs = defineKind<'hangs'>({
	kind: 'hangs',
	name: 'Hangs again',
	counts: 'last',
	saidAsKept: true,
	decide({ record, command: { subject }, said }) {
		const known = record.loadings.some(
			({ id, corner }) => id === said.loadingId && corner === subject
		);
		if (!known) {
			throw refuse('loadingId', 'is not a loaded height of this corner', said.loadingId);
		}
		return [{ kind: 'hangs', subject, data: { loadingId: said.loadingId } }];
	},
	words: (_, { subject }) => `${cornerNames[subject as Corner].toLowerCase()} hangs again`
});
