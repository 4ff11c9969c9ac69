import Joi from 'joi';
import { vehicle } from '../../../schema/kept.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: wholeCar,
	kept: () => Joi.object({ vehicle: vehicle() })
});
