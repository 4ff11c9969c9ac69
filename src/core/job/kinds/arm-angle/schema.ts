import Joi from 'joi';
import { corners } from '../../../height/corners.ts';
import { quantity } from '../../../schema/fields.ts';
import { entered } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const read = () => ({
	readings: Joi.array()
		.items(
			Joi.object({
				deg: Joi.number().min(-60).max(60).required(),
				turned: Joi.boolean().required()
			})
		)
		.min(1)
		.max(20)
		.required(),
	resolutionDeg: Joi.number().min(0.01).max(1).required(),
	by: Joi.string().valid('phone', 'typed').required()
});

export const schemas = defineSchemas({
	subject: () =>
		Joi.string().valid(...corners.flatMap((corner) => [`${corner}/lower`, `${corner}/upper`])),
	said: () =>
		Joi.object({
			hubToArch: quantity('length', { min: 150, max: 800 }).required(),
			...read(),
			withdraw: Joi.boolean()
		}),
	kept: () =>
		Joi.object({
			hubToArchMm: Joi.number().min(150).max(800).required(),
			entered: entered(),
			...read(),
			withdrawn: Joi.boolean().required()
		})
});
