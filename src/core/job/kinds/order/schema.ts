import Joi from 'joi';
import { stepId } from '../step/subject.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

const kept = () => Joi.object({ ids: Joi.array().items(stepId()).max(300).unique().required() });

export const schemas = defineSchemas({
	subject: wholeCar,
	said: kept,
	kept
});
