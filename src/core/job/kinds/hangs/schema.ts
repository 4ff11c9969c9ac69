import Joi from 'joi';
import { corners } from '../../../height/corners.ts';
import { uuid } from '../../../schema/fields.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () => Joi.object({ loadingId: uuid().required() });

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...corners),
	said: kept,
	kept
});
