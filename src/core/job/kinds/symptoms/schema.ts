import Joi from 'joi';
import { symptomKeys } from '../../../inspect/symptoms.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		symptoms: Joi.array()
			.items(Joi.string().valid(...symptomKeys))
			.unique()
			.required()
	});

export const schemas = defineSchemas({
	subject: wholeCar,
	said: kept,
	kept
});
