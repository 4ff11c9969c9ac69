import Joi from 'joi';
import { text, uuid } from '../../../schema/fields.ts';
import { corner } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: uuid,
	said: () => Joi.object({ withdrawn: Joi.boolean().required() }),
	kept: () =>
		Joi.object({
			corner: corner().allow(null),
			about: text(120).required(),
			note: text(500).required(),
			width: Joi.number().integer().min(1).max(10_000).required(),
			height: Joi.number().integer().min(1).max(10_000).required(),
			digest: Joi.string()
				.pattern(/^[0-9a-f]{64}$/)
				.allow(null)
				.required(),
			withdrawn: Joi.boolean().required()
		})
});
