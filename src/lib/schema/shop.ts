import Joi from 'joi';
import { units } from '../../core/units/dimensions.ts';
import { corners } from '../../core/height/corners.ts';
import { hourChoices, isTimeZone } from '../../core/units/moments.ts';
import { password, secret } from './secret.ts';
import { requiredText, text, uuid, version } from '../../core/schema/fields.ts';

const unitsSchema = () =>
	Joi.object({
		system: Joi.string().valid('metric', 'imperial').required(),
		torque: Joi.string()
			.valid(...units.torque.map((unit) => unit.symbol))
			.required()
	});

const handle = () =>
	Joi.string()
		.pattern(/^[a-z][a-z0-9.-]{1,38}$/)
		.messages({
			'string.pattern.base':
				'must be 2 to 39 small letters, digits, points or hyphens, a letter first'
		});

const money = () => Joi.number().min(0).max(100_000).required();

export const signInSchema = Joi.object({
	handle: Joi.string().max(40).required(),
	secret: Joi.string().max(200).required()
});

export const newPersonSchema = Joi.object({
	id: uuid().required(),
	handle: handle().required(),
	name: requiredText(120),
	role: Joi.string().valid('technician', 'lead').required(),
	secret: secret().required()
});

export const personChangeSchema = Joi.object({
	name: text(120).disallow(''),
	role: Joi.string().valid('technician', 'lead'),
	active: Joi.boolean(),
	secret: secret()
}).or('name', 'role', 'active', 'secret');

/** What people choose for themselves. */
export const preferencesSchema = Joi.object({
	units: unitsSchema().allow(null).description('null follows the shop'),
	theme: Joi.string().valid('system', 'light', 'dark')
}).or('units', 'theme');

/** A lead's second way in. */
export const passwordSchema = Joi.object({
	secret: Joi.string().max(200).required().description('the PIN or password that signs in now'),
	password: password().allow(null).required().description('null takes it away')
});

export const shopSchema = Joi.object({
	version: version(),
	name: requiredText(120),
	units: unitsSchema().required(),
	twistSetDeg: Joi.number().min(0.1).max(20).required(),
	twistAdvisedDeg: Joi.number().greater(Joi.ref('twistSetDeg')).max(45).required(),
	resetAboveMm: Joi.number().min(1).max(200).required(),
	costs: Joi.object({
		currency: Joi.string()
			.pattern(/^[A-Z]{3}$/, 'three capital letters, as EUR')
			.required(),
		labourPerHour: money(),
		waitPerHour: money(),
		partWaitHours: Joi.number().min(0).max(1000).required(),
		linkPrice: money(),
		returnLoss: Joi.number().min(0).max(1).required(),
		compressorHookN: Joi.number().min(500).max(100_000).required(),
		compressorScrews: Joi.number().integer().min(1).max(4).default(2),
		compressorHooksPerScrew: Joi.number().integer().min(1).max(4).default(1)
	}),
	bays: Joi.number().integer().min(1).max(8).required(),
	lifts: Joi.number().integer().min(1).max(Joi.ref('bays')).required(),
	technicians: Joi.number().integer().min(1).max(8).required(),
	clock: Joi.object({
		timeZone: Joi.string()
			.max(64)
			.custom((name: string, helpers) => (isTimeZone(name) ? name : helpers.error('zone')))
			.messages({ zone: 'is no time zone: write it as Europe/Oslo' })
			.required(),
		hours: Joi.string()
			.valid(...hourChoices)
			.required()
	}),
	walk: Joi.array()
		.items(Joi.string().valid(...corners))
		.unique()
		.length(4)
		.description('the order in which the corners are walked')
});

/** Another shop's key, as its page of keys gives it. */
export const knownShopSchema = Joi.object({
	name: requiredText(120),
	publicKey: Joi.string()
		.trim()
		.pattern(/^[A-Za-z0-9_-]{43}$/, 'an Ed25519 key of 43 letters')
		.required()
});
