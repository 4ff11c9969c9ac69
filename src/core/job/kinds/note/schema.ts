import Joi from 'joi';
import { text } from '../../../schema/fields.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: wholeCar,
	said: () =>
		Joi.object({
			text: text(500).disallow('').min(3),
			withdraw: Joi.boolean()
		}).xor('text', 'withdraw'),
	kept: () => Joi.object({ text: text(500).required(), withdrawn: Joi.boolean().required() })
});
