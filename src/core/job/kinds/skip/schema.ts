import Joi from 'joi';
import { quantity, text, uuid } from '../../../schema/fields.ts';
import { carState, method, optionalMm, step } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: uuid,
	said: () =>
		Joi.object({
			action: step().default(0),
			reason: text(500).disallow('').min(3).required(),
			carState: carState(),
			method: method(),
			hubToArch: quantity('length', { min: 150, max: 800 }),
			overrideReason: text(500).disallow('').min(10)
		}),
	kept: () =>
		Joi.object({
			action: step().required(),
			reason: text(500).required(),
			carState: carState(),
			method: method().allow(null).required(),
			hubToArchMm: optionalMm(),
			hubToArchEntered: text(60).allow(null).required(),
			overrideReason: text(500).allow(null).required()
		})
});
