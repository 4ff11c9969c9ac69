import Joi from 'joi';
import { moment, quantity, requiredText, text, uuid } from '../../../schema/fields.ts';
import { cornerList, odometer, school } from '../../../schema/kept.ts';
import { subjects } from './data.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: () => Joi.string().valid('car', ...subjects),
	said: () =>
		Joi.object({
			complaint: text(2000).disallow(''),
			odometer: quantity('distance', { min: 0, max: 3_000_000 }).allow(null, ''),
			corners: cornerList(),
			technicianId: uuid().allow(null, ''),
			school: school(),
			resetAbove: quantity('length', { min: 1, max: 200 }),
			promisedAt: moment().allow(null)
		}).or('complaint', 'odometer', 'corners', 'technicianId', 'school', 'resetAbove', 'promisedAt'),
	kept: () =>
		Joi.alternatives(
			Joi.object({ complaint: requiredText(2000) }),
			Joi.object(odometer()),
			Joi.object({ corners: cornerList().required() }),
			Joi.object({ technicianId: uuid().allow(null).required() }),
			Joi.object({ school: school().required() }),
			Joi.object({ promisedAt: moment().allow(null).required() }),
			Joi.object({
				resetAboveMm: Joi.number().min(1).max(200).required(),
				entered: text(60).required()
			})
		)
});
