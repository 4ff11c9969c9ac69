import Joi from 'joi';
import { text } from '../../../schema/fields.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		state: Joi.string().valid('open', 'accepted', 'declined', 'done').required(),
		title: text(200).required(),
		reason: text(500).default('')
	});

export const schemas = defineSchemas({
	subject: () => Joi.string().max(120),
	said: kept,
	kept
});
