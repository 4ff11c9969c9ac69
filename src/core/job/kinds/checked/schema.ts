import Joi from 'joi';
import { text } from '../../../schema/fields.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';
import { checks } from './data.ts';

const kept = () =>
	Joi.object({
		state: Joi.string().valid('good', 'bad', 'open').required(),
		words: text(500)
			.required()
			.description('what was heard, felt or seen; required where it is not good'),
		at: text(120).required().description('of a drive: how far, on what road, at which speed')
	});

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...checks),
	said: kept,
	kept
});
