import Joi from 'joi';
import { corners } from '../../core/height/corners.ts';
import { carStates, loadMethods } from '../../core/procedure/facts.ts';
import { wrenchKinds } from '../../core/fastener/rack.ts';
import { deviceKinds } from '../devices/model.ts';
import { moment, quantity, requiredText, text, uuid, version } from '../../core/schema/fields.ts';

const wrenchFields = {
	name: requiredText(80),
	kind: Joi.string()
		.valid(...wrenchKinds)
		.required(),
	lowest: quantity('torque', { min: 0.1, max: 3000 }).required(),
	highest: quantity('torque', { min: 0.5, max: 3000 }).required(),
	length: quantity('length', { min: 50, max: 3000 }).allow(null, ''),
	retired: Joi.boolean()
};
export const newWrenchSchema = Joi.object({ id: uuid().required(), ...wrenchFields });
export const wrenchChangeSchema = Joi.object({ version: version(), ...wrenchFields });

/** Set value and reference reading at each point; 20, 60 and 100 % of the range are usual. */
export const calibrationSchema = Joi.object({
	id: uuid().required(),
	calibratedOn: Joi.string()
		.pattern(/^20\d\d-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
		.custom((value: string, helpers) => {
			const { now } = helpers.prefs.context as { now: number };
			if (Number.isNaN(Date.parse(value))) return helpers.error('day');
			return Date.parse(value) > now + 86_400_000 ? helpers.error('future') : value;
		})
		.messages({
			'string.pattern.base': 'must be a day such as 2026-11-25',
			day: 'is no day of the calendar',
			future: 'lies in the future'
		})
		.required(),
	readings: Joi.array()
		.items(
			Joi.object({
				set: quantity('torque', { min: 0.1, max: 3000 }).required(),
				read: quantity('torque', { min: 0.1, max: 3000 }).required()
			})
		)
		.min(3)
		.max(30)
		.required(),
	note: text(500).default('')
});

export const newDeviceSchema = Joi.object({
	id: uuid().required(),
	name: requiredText(80),
	kind: Joi.string()
		.valid(...deviceKinds)
		.required(),
	wrenchId: uuid().allow(null).default(null)
});
export const deviceChangeSchema = Joi.object({ active: Joi.boolean().required() });

const method = () => Joi.string().valid(...loadMethods);

/** Where a device's next reading belongs; null takes the task away. */
export const taskSchema = Joi.object({
	jobId: uuid().required(),
	kind: Joi.string().valid('torque', 'height', 'loading', 'loads').required(),
	jointId: uuid(),
	action: Joi.number().integer().min(0).max(200),
	carState: Joi.string().valid(...carStates),
	method: method(),
	hubToArch: quantity('length', { min: 150, max: 800 }),
	loosenedFirst: Joi.boolean(),
	aheadReason: text(500).disallow('').min(10),
	corner: Joi.string().valid(...corners),
	phase: Joi.string().valid('before', 'after')
})
	.when('.kind', {
		is: 'torque',
		then: Joi.object({
			jointId: Joi.required(),
			action: Joi.required(),
			carState: Joi.required()
		})
	})
	.when('.kind', {
		is: 'height',
		then: Joi.object({ corner: Joi.required(), phase: Joi.required() })
	})
	.when('.kind', {
		is: 'loading',
		then: Joi.object({ corner: Joi.required(), method: Joi.required() })
	})
	.allow(null);

/** A person says where a held reading belongs. */
export const placeSchema = Joi.object({
	jobId: uuid().required(),
	jointId: uuid(),
	action: Joi.number().integer().min(0).max(200).default(0),
	carState: Joi.string()
		.valid(...carStates)
		.default('hanging'),
	method: method(),
	hubToArch: quantity('length', { min: 150, max: 800 }),
	loosenedFirst: Joi.boolean(),
	aheadReason: text(500).disallow('').min(10),
	overrideReason: text(500).disallow('').min(10),
	corner: Joi.string().valid(...corners),
	phase: Joi.string().valid('before', 'after')
});

export const setAsideSchema = Joi.object({ reason: requiredText(500).min(3) });

const nm = () => Joi.number().min(-5000).max(5000);
const deg = () => Joi.number().min(-36_000).max(36_000);
const mostPoints = 5000;

/** One line of the protocol that carries a reading. docs/devices.md is its description for people. */
export const sentReadingSchema = Joi.object({
	type: Joi.string().valid('reading').required(),
	id: uuid().required(),
	seq: Joi.number().integer().min(1).max(Number.MAX_SAFE_INTEGER).required(),
	takenAt: moment().required(),
	task: uuid().allow(null).required(),
	battery: Joi.number().min(0).max(1),
	kind: Joi.string().valid('torque', 'height', 'loads').required(),
	torqueNm: nm().when('kind', { is: 'torque', then: Joi.required(), otherwise: Joi.forbidden() }),
	angleDeg: deg().when('kind', { is: 'torque', otherwise: Joi.forbidden() }),
	complete: Joi.boolean().when('kind', {
		is: 'torque',
		then: Joi.boolean().default(true),
		otherwise: Joi.forbidden()
	}),
	trace: Joi.object({
		angleDeg: Joi.array().items(deg()).max(mostPoints).required(),
		torqueNm: Joi.array().items(nm()).max(mostPoints).required()
	}).when('kind', { is: 'torque', otherwise: Joi.forbidden() }),
	heightMm: Joi.number()
		.min(50)
		.max(1300)
		.when('kind', { is: 'height', then: Joi.required(), otherwise: Joi.forbidden() }),
	loadsN: Joi.object(
		Object.fromEntries(corners.map((key) => [key, Joi.number().min(0).max(60_000).required()]))
	).when('kind', { is: 'loads', then: Joi.required(), otherwise: Joi.forbidden() })
});

export const helloSchema = Joi.object({
	type: Joi.string().valid('hello').required(),
	protocol: Joi.number().valid(1).required(),
	token: Joi.string().min(8).max(200).required()
});
