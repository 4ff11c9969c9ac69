import Joi from 'joi';
import { corners } from '../../../height/corners.ts';
import { quantity, uuid } from '../../../schema/fields.ts';
import { loadingFields, method } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...corners),
	said: () =>
		Joi.object({
			method: method().required(),
			hubToArch: quantity('length', { min: 150, max: 800 }).required(),
			oppositeBefore: quantity('length', { min: 50, max: 1300 }),
			oppositeNow: quantity('length', { min: 50, max: 1300 }),
			deviceReadingId: uuid()
		}).and('oppositeBefore', 'oppositeNow'),
	kept: () => Joi.object(loadingFields())
});
