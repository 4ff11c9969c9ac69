import Joi from 'joi';
import { corners } from '../../../height/corners.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		movements: Joi.number().min(0).max(20).allow(null).required(),
		dampingRatio: Joi.number().min(0).max(5),
		expanded: Joi.number().min(0).max(5)
	});

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...corners, ...corners.map((corner) => `${corner}/after`)),
	said: kept,
	kept
});
