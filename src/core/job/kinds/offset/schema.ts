import Joi from 'joi';
import { quantity } from '../../../schema/fields.ts';
import { offset as kept } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: () => Joi.string().valid('front', 'rear'),
	said: () => Joi.object({ offset: quantity('length', { min: -800, max: 800 }).required() }),
	kept
});
