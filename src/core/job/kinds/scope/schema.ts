import Joi from 'joi';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		damper: Joi.boolean().required(),
		spring: Joi.boolean().required(),
		bushes: Joi.boolean().required(),
		also: Joi.array()
			.items(Joi.string().pattern(/^[a-z-]+(:[a-z-]+)?$/, 'a job such as arm:lower-arm'))
			.unique()
			.max(20)
	});

export const schemas = defineSchemas({
	subject: () => Joi.string().valid('front', 'rear'),
	said: kept,
	kept
});
