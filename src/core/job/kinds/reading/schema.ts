import Joi from 'joi';
import { corners } from '../../../height/corners.ts';
import { quantity } from '../../../schema/fields.ts';
import { phase, readingFields, school } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const standing = () =>
	Joi.number()
		.integer()
		.min(1)
		.max(9)
		.description('rolled and settled anew for each; left out: the first');

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...corners),
	said: () =>
		Joi.object({
			phase: phase(),
			school: school().required(),
			height: quantity('length', {}),
			standing: standing(),
			withdraw: Joi.boolean()
		}).xor('height', 'withdraw'),
	kept: () =>
		Joi.object({
			...readingFields(),
			standing: standing(),
			withdrawn: Joi.boolean().required()
		})
});
