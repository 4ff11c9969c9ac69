import Joi from '#joi';
import { defineKind, wholeCar } from '../../book/kind.ts';

const digest = () =>
	Joi.string()
		.pattern(/^[0-9a-f]{64}$/)
		.required();
const signature = () =>
	Joi.string()
		.pattern(/^[A-Za-z0-9_-]{86}$/)
		.required();

/** Follows a signature; nobody says it. */
export const sealed = defineKind<'sealed'>({
	kind: 'sealed',
	name: 'Seal',
	counts: 'every',
	subject: wholeCar,
	kept: () =>
		Joi.object({
			head: digest(),
			sheetDigest: digest(),
			pdfDigest: digest(),
			keyId: Joi.string()
				.pattern(/^[0-9a-f]{16}$/)
				.required(),
			signature: signature(),
			sheetSignature: signature()
		}),
	apply(record, { seq, data }) {
		record.seals.push({ seq, ...data });
	},
	words: ({ head, keyId }) => `sealed at ${head.slice(0, 16)} with the shop’s key ${keyId}`
});
