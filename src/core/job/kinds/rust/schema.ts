import Joi from 'joi';
import { rustGrades } from '../../../work/scope.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		grade: Joi.string()
			.valid(...rustGrades)
			.required()
	});

export const schemas = defineSchemas({
	subject: wholeCar,
	said: kept,
	kept
});
