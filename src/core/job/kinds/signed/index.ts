import Joi from 'joi';
import { owedLine } from '../../../procedure/owed.ts';
import { text } from '../../../schema/fields.ts';
import { Problem } from '../../../problem.ts';
import { defineKind, wholeCar } from '../../book/kind.ts';
import { viewJob } from '../../view.ts';

interface Said {
	overrideReason?: string;
}

/**
 * Closes the record. Refused while anything is owed, with the list of it; a lead may sign all the same
 * with a written reason, which stays on the record and prints on the sheet.
 */
export const signed = defineKind<'signed', Said>({
	kind: 'signed',
	name: 'Signature',
	counts: 'last',
	subject: wholeCar,
	said: () => Joi.object({ overrideReason: text(1000).disallow('').min(10) }),
	kept: () =>
		Joi.object({
			overrideReason: text(1000).allow(null).required(),
			owed: Joi.array().items(text(300)).max(500).required()
		}),
	decide({ record, command: { subject }, said, context }) {
		const owed = viewJob(record).standing.owed.map(owedLine);
		const reason = said.overrideReason ?? null;
		if (owed.length && !reason) {
			throw new Problem(409, `Not ready to sign: ${owed.length} still owed.`, [], { owed });
		}
		if (owed.length && context.who.role !== 'lead') {
			throw new Problem(403, 'Only a lead may sign with something still owed.', [], { owed });
		}
		return [
			{ kind: 'signed', subject, data: { overrideReason: owed.length ? reason : null, owed } }
		];
	},
	apply(record, { id, data, personId, enteredAt }) {
		record.signedAt = enteredAt;
		record.signOff = { id, personId, ...data, signedAt: enteredAt };
	},
	words: ({ owed, overrideReason }) =>
		owed.length ? `signed with ${owed.length} owed: ${overrideReason}` : 'signed'
});
