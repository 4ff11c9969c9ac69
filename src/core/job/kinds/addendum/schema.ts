import Joi from 'joi';
import { text } from '../../../schema/fields.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

const kept = () => Joi.object({ reason: text(1000).disallow('').min(10).required() });

export const schemas = defineSchemas({
	subject: wholeCar,
	said: kept,
	kept
});
