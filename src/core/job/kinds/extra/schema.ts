import Joi from 'joi';
import { requiredText, text, uuid } from '../../../schema/fields.ts';
import { extraStates } from '../../extra-states.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		what: requiredText(200).min(3),
		state: Joi.string()
			.valid(...extraStates)
			.required(),
		words: text(300).default(''),
		price: Joi.number().min(0).max(1_000_000),
		minutes: Joi.number().min(1).max(2000),
		done: Joi.boolean(),
		removed: Joi.boolean()
	});

export const schemas = defineSchemas({ subject: uuid, said: kept, kept });
