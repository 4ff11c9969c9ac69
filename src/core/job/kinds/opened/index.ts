import Joi from '#joi';
import { cornerList, jobNumber, odometer, school, vehicle } from '../../../schema/kept.ts';
import { moment, requiredText, uuid } from '../../../schema/fields.ts';
import { jobPurposes } from '../../model.ts';
import { defineKind, wholeCar } from '../../book/kind.ts';

/** The first entry of every book. */
export const opened = defineKind<'opened'>({
	kind: 'opened',
	name: 'Job opened',
	counts: 'last',
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
		}),
	apply(record, { data, personId, enteredAt }) {
		const { number: _, ...head } = data;
		Object.assign(record, head, { createdBy: personId, openedAt: enteredAt });
	},
	words: ({ vehicle: { plate, make, model }, complaint, purpose }) =>
		`opened for ${plate}, ${make} ${model}${purpose === 'set' ? ', to measure and set' : ''}: ${complaint}`
});
