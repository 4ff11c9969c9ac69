import { Problem } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';

/**
 * A lead opens a signed job to add to it or to correct it. What was signed stays as it was sealed; what comes
 * now is an addendum, until it is signed as well.
 */
export const addendum = defineKind<'addendum'>({
	kind: 'addendum',
	name: 'Addendum',
	counts: 'every',
	saidAsKept: true,
	afterSigning: true,
	decide({ record, command: { subject }, said, context }) {
		if (!record.signedAt) {
			throw new Problem(409, 'This job is open: what is to be added is simply recorded.');
		}
		if (context.who.role !== 'lead') {
			throw new Problem(403, 'Only a lead may open a signed job for an addendum.');
		}
		return [{ kind: 'addendum', subject, data: said }];
	},
	apply(record, { seq, data, personId, enteredAt }) {
		const opened = { seq, ...data, personId, openedAt: enteredAt };
		record.signedAt = null;
		record.signOff = null;
		record.addendum = opened;
		record.addenda.push(opened);
	},
	words: ({ reason }) => `opened again for an addendum: ${reason}`
});
