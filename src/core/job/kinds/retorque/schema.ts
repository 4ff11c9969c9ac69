import Joi from 'joi';
import { quantity, text } from '../../../schema/fields.ts';
import { retorqueFields } from '../../../schema/kept.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: wholeCar,
	said: () =>
		Joi.object({
			odometer: quantity('distance', { min: 0, max: 3_000_000 }).allow('', null),
			torque: quantity('torque', { min: 0.5, max: 1000 }).required(),
			found: Joi.string().valid('held', 'moved').required(),
			note: text(500).default('')
		}),
	kept: () => Joi.object(retorqueFields())
});
