import Joi from 'joi';
import { corners } from '../../../height/corners.ts';
import * as inputs from '../../../schema/inputs.ts';
import { typed } from '../typed.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		input: Joi.object(inputs.compressor()).required(),
		typed: typed(),
		turned: Joi.number().integer().min(0).max(1000).required(),
		free: Joi.boolean().required()
	});

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...corners),
	said: kept,
	kept
});
