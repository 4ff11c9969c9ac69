import Joi from 'joi';
import { quantity } from '../../../schema/fields.ts';
import { conditions as stood, heightSet } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: () => Joi.string().valid('before', 'after'),
	said: () =>
		Joi.object({
			resolution: quantity('length', { min: 0.01, max: 10 }).required(),
			conditions: stood()
		}),
	kept: heightSet
});
