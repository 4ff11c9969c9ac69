import Joi from 'joi';
import { id } from '../../../schema/kept.ts';
import { pastMoment, text } from '../../../schema/fields.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: wholeCar,
	kept: () =>
		Joi.object({
			chain: Joi.array()
				.items(
					Joi.object({
						seq: Joi.number().integer().min(1).required(),
						kind: Joi.string().valid('reading', 'torque', 'loading').required(),
						id: id(),
						hash: Joi.string()
							.pattern(/^[0-9a-f]{64}$/)
							.required()
					})
				)
				.max(6000)
				.required(),
			changes: Joi.array()
				.items(
					Joi.object({
						version: Joi.number().integer().min(1).required(),
						personId: id(),
						what: text(500).required(),
						at: pastMoment().required()
					})
				)
				.max(10_000)
				.required()
		})
});
