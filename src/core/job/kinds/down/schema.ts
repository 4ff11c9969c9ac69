import Joi from 'joi';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

const kept = () => Joi.object({ onWheels: Joi.boolean().required() });

export const schemas = defineSchemas({
	subject: wholeCar,
	said: kept,
	kept
});
