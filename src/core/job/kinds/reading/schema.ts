import Joi from 'joi';
import { corners } from '../../../height/corners.ts';
import { quantity } from '../../../schema/fields.ts';
import { phase, readingFields, school } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...corners),
	said: () =>
		Joi.object({
			phase: phase(),
			school: school().required(),
			height: quantity('length', {}),
			withdraw: Joi.boolean()
		}).xor('height', 'withdraw'),
	kept: () => Joi.object({ ...readingFields(), withdrawn: Joi.boolean().required() })
});
