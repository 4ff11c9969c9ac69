import Joi from 'joi';
import { text } from '../../../schema/fields.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
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
		})
});
