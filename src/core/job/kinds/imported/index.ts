import Joi from '#joi';
import { text } from '../../../schema/fields.ts';
import { defineKind, wholeCar } from '../../book/kind.ts';

/** Written when a job is brought in from a file; nobody says it. */
export const imported = defineKind<'imported'>({
	kind: 'imported',
	name: 'Imported',
	counts: 'every',
	subject: wholeCar,
	kept: () =>
		Joi.object({
			from: text(120).allow(null).required(),
			verified: Joi.boolean().required(),
			keyId: Joi.string()
				.pattern(/^[0-9a-f]{16}$/)
				.allow(null)
				.required(),
			head: Joi.string()
				.pattern(/^[0-9a-f]{64}$/)
				.required()
		}),
	apply(record, { seq, data, personId, enteredAt }) {
		record.imported = { seq, ...data, personId, importedAt: enteredAt };
	},
	words: ({ from, verified }) =>
		`brought in from ${from ?? 'elsewhere'}: ${verified ? 'verified by its seal' : 'not verified'}`
});
