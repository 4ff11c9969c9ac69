import Joi from 'joi';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

const digest = () =>
	Joi.string()
		.pattern(/^[0-9a-f]{64}$/)
		.required();

const signature = () =>
	Joi.string()
		.pattern(/^[A-Za-z0-9_-]{86}$/)
		.required();

export const schemas = defineSchemas({
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
		})
});
