import Joi from 'joi';
import { corners } from '../../../height/corners.ts';
import * as inputs from '../../../schema/inputs.ts';
import { typed } from '../typed.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () => Joi.object({ input: Joi.object(inputs.armSpring()).required(), typed: typed() });

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...corners),
	said: kept,
	kept
});
