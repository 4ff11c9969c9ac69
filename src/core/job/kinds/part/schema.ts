import Joi from 'joi';
import { text } from '../../../schema/fields.ts';
import { partStatuses } from './data.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		number: text(60).default(''),
		status: Joi.string()
			.valid(...partStatuses)
			.required(),
		note: text(200).default(''),
		oldNumber: text(60)
	});

export const schemas = defineSchemas({
	subject: () => Joi.string().max(120),
	said: kept,
	kept
});
