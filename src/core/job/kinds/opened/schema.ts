import Joi from 'joi';
import { cornerList, jobNumber, odometer, school, vehicle } from '../../../schema/kept.ts';
import { moment, requiredText, uuid } from '../../../schema/fields.ts';
import { jobPurposes } from '../../model.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: wholeCar,
	kept: () =>
		Joi.object({
			number: jobNumber(),
			vehicle: vehicle(),
			complaint: requiredText(2000),
			...odometer(),
			corners: cornerList().required(),
			technicianId: uuid().allow(null).required(),
			school: school().required(),
			resetAboveMm: Joi.number().min(1).max(200).required(),
			limits: Joi.object({
				setDeg: Joi.number().min(0.1).max(20).required(),
				advisedDeg: Joi.number().min(0.1).max(45).required()
			}).required(),
			purpose: Joi.string().valid(...jobPurposes),
			promisedAt: moment().allow(null)
		})
});
