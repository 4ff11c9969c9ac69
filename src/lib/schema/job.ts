import Joi from 'joi';
import { jobPurposes } from '../../core/job/model.ts';
import { moment, quantity, requiredText, text, uuid } from '../../core/schema/fields.ts';
import { corner, cornerList } from '../../core/schema/kept.ts';

export const newJobSchema = Joi.object({
	id: uuid().required(),
	vehicleId: uuid().required(),
	complaint: requiredText(2000),
	odometer: quantity('distance', { min: 0, max: 3_000_000 }).allow(null, ''),
	corners: cornerList().required(),
	technicianId: uuid().allow(null, ''),
	purpose: Joi.string().valid(...jobPurposes),
	wheelsOff: Joi.boolean(),
	promisedAt: moment().allow(null),
	device: text(60).disallow('')
});

export const photoSchema = Joi.object({
	id: uuid().required(),
	corner: corner().optional().allow(null).default(null),
	subject: text(120).default(''),
	note: text(500).default(''),
	takenAt: moment().required(),
	device: text(60).disallow(''),
	personId: uuid(),
	vouched: Joi.boolean(),
	image: Joi.string()
		.max(11_000_000)
		.pattern(
			/^data:image\/(jpeg|png|webp);base64,[A-Za-z0-9+/=]+$/,
			'a JPEG, PNG or WebP as a data URL'
		)
		.required()
});
