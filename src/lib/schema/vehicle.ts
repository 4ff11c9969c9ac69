import Joi from 'joi';
import { schoolKeys } from '../../core/height/schools.ts';
import { layoutKeys, findLayout } from '../../core/layout/catalogue.ts';
import { cornerGeometry } from '../../core/schema/inputs.ts';
import type { Axle } from '../../core/height/corners.ts';
import { quantity, requiredText, text, uuid, version } from '../../core/schema/fields.ts';

const lastYear = 2100;

function axle(which: Axle) {
	const keys = layoutKeys.filter((key) => findLayout(key)!.axles.includes(which));
	return Joi.object({
		layout: Joi.string()
			.valid(...keys)
			.required(),
		track: quantity('length', { min: 900, max: 2200 })
			.allow(null, '')
			.description('until it is said, what cars usually have'),
		tyreSize: text(40).default(''),
		armLength: quantity('length', { min: 100, max: 1200 }).allow(null, ''),
		outerBelowInner: quantity('length', { min: -300, max: 400 }).allow(null, ''),
		referenceHubToArch: quantity('length', { min: 150, max: 800 }).allow(null, ''),
		wheelRate: quantity('rate', { min: 3, max: 300 }).allow(null, ''),
		makerHeight: quantity('length', { min: -200, max: 1300 }).allow(null, ''),
		makerHeightSchool: Joi.string()
			.valid(...schoolKeys)
			.allow(null, ''),
		tape: Joi.object()
			.pattern(/^[a-zA-Z]{1,40}Mm$/, quantity('length', { min: -800, max: 1500 }).allow(null, ''))
			.pattern(/^[a-zA-Z]{1,40}Deg$/, quantity('angle', { min: -80, max: 80 }).allow(null, ''))
			.max(20)
			.allow(null)
			.description('further measures of the tape, by their names in the core'),
		hardpoints: Joi.object(cornerGeometry()).allow(null)
	}).required();
}

/** A car as the form, the API and an import give it. */
export const vehicleSchema = Joi.object({
	id: uuid().required(),
	plate: requiredText(20).uppercase(),
	vin: Joi.string()
		.trim()
		.uppercase()
		.pattern(/^[A-HJ-NPR-Z0-9]{17}$/)
		.allow(null, '')
		.messages({ 'string.pattern.base': 'must be 17 letters and digits, without I, O and Q' })
		.prefs({ convert: true }),
	make: text(60).default(''),
	model: text(60).default(''),
	modelYear: Joi.number().integer().min(1900).max(lastYear).allow(null),
	owner: text(120).default(''),
	phone: text(40).default(''),
	wheelbase: quantity('length', { min: 1500, max: 5000 })
		.allow(null, '')
		.description('until it is said, what cars usually have'),
	modifications: text(2000).default(''),
	front: axle('front'),
	rear: axle('rear')
});

export const vehicleChangeSchema = vehicleSchema.keys({
	version: version(),
	jobId: uuid().description('the open job in which the car was measured')
});
