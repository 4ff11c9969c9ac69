import Joi from 'joi';
import { uuid } from '../../core/schema/fields.ts';

const slot = {
	bay: Joi.number().integer().min(0).max(7).required(),
	startsAt: Joi.string().isoDate().required(),
	minutes: Joi.number().integer().min(15).max(14_400).required(),
	version: Joi.number().integer().min(0).max(1e9).required(),
	comesAt: Joi.string().isoDate().allow(null).description('the car is not here before')
};
/** A car's place in the plan of the bays. */
export const slotSchema = Joi.object(slot);
/** The places of several cars, which may change with each other. */
export const slotsSchema = Joi.object({
	slots: Joi.array()
		.items(Joi.object({ jobId: uuid().required(), ...slot }))
		.unique('jobId')
		.min(1)
		.max(60)
		.required()
});
