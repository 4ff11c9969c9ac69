import Joi from 'joi';
import { defineSchemas } from '../../book/kind-schemas.ts';

const money = () => Joi.number().min(0).max(100_000).required();

const kept = () => Joi.object({ unit: money(), damper: money(), wearParts: money() });

export const schemas = defineSchemas({
	subject: () => Joi.string().valid('front', 'rear'),
	said: kept,
	kept
});
