import Joi from 'joi';
import { text, uuid } from '../../../schema/fields.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		step: text(80).default(''),
		place: Joi.string()
			.pattern(/^([A-Z][1-9]|hole)$/, 'a place such as A3, or hole')
			.required(),
		name: text(120).disallow('').required(),
		count: Joi.number().integer().min(1).max(99).required(),
		lengthMm: Joi.number().greater(0).max(500),
		back: Joi.number().integer().min(0).max(99).required(),
		reason: text(300),
		removed: Joi.boolean()
	});

export const schemas = defineSchemas({
	subject: uuid,
	said: kept,
	kept
});
