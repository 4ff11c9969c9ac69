import Joi from 'joi';
import { defineSchemas } from '../../book/kind-schemas.ts';

const money = () => Joi.number().min(0).max(100_000).required();

const kept = () => Joi.object({ arm: money(), bushes: money(), joint: money() });

export const schemas = defineSchemas({
	subject: () => Joi.string().pattern(/^(front|rear)\/[a-z][a-z-]{1,38}$/, 'axle and arm'),
	said: kept,
	kept
});
