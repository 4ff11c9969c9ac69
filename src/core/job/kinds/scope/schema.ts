import Joi from 'joi';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		damper: Joi.boolean().required(),
		spring: Joi.boolean().required(),
		bushes: Joi.boolean().required()
	});

export const schemas = defineSchemas({
	subject: () => Joi.string().valid('front', 'rear'),
	said: kept,
	kept
});
