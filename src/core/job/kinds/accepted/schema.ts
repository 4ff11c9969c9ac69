import Joi from 'joi';
import { text, uuid } from '../../../schema/fields.ts';
import { id } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: uuid,
	said: () => Joi.object({ torqueId: id(), reason: text(500).disallow('').min(10).required() }),
	kept: () =>
		Joi.object({
			torqueId: id(),
			reason: text(500).required(),
			twistDeg: Joi.number().required(),
			heightErrorMm: Joi.number().required()
		})
});
