import Joi from 'joi';
import { text, uuid } from '../../../schema/fields.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		photoIds: Joi.array().items(uuid()).unique().max(12).required(),
		note: text(1000).default('')
	});

export const schemas = defineSchemas({
	subject: wholeCar,
	said: kept,
	kept
});
