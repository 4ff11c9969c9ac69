import Joi from 'joi';
import { corners } from '../../../height/corners.ts';
import { jointKinds, jointTools, tightenRules } from '../../../layout/types.ts';
import { quantity, text, uuid } from '../../../schema/fields.ts';
import { jointFields, thread } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const torque = () => quantity('torque', { min: 0.5, max: 1000 });

const following = () =>
	Joi.object({
		kind: Joi.string().valid('angle', 'slacken', 'torque').required(),
		angle: quantity('angle', { min: 1, max: 720 }).when('kind', {
			is: 'torque',
			then: Joi.forbidden(),
			otherwise: Joi.required()
		}),
		tolerance: quantity('angle', { min: 0, max: 90 }).when('kind', {
			is: 'angle',
			otherwise: Joi.forbidden()
		}),
		torque: torque().when('kind', {
			is: 'torque',
			then: Joi.required(),
			otherwise: Joi.forbidden()
		})
	});

const programme = () =>
	Joi.object({
		then: Joi.array().items(following()).max(6),
		castle: Joi.object({
			high: torque().required(),
			slotDeg: Joi.number().valid(30, 60).required()
		}),
		cushionTo: Joi.string().valid('washer-edge', 'shoulder'),
		pattern: Joi.object({
			fasteners: Joi.number().valid(3, 4, 5, 6, 8).required(),
			passes: Joi.number().valid(1, 2).required()
		}),
		prevailing: quantity('torque', { min: 0.1, max: 100 }),
		adapter: Joi.object({
			length: quantity('length', { min: 5, max: 1000 }).required(),
			angleDeg: Joi.number().min(-90).max(90).required()
		})
	});

export const schemas = defineSchemas({
	subject: uuid,
	said: () =>
		Joi.object({
			corner: Joi.string().valid(...corners),
			name: text(120).disallow(''),
			kind: Joi.string().valid(...jointKinds),
			rule: Joi.string().valid(...tightenRules),
			torque: torque().allow(null, ''),
			torqueSource: Joi.string().valid('maker', 'shop', 'estimated').allow(null),
			oneTime: Joi.boolean(),
			tool: Joi.string().valid(...jointTools),
			holdStud: Joi.boolean(),
			programme: programme().allow(null),
			thread: thread().allow(null),
			loosened: Joi.boolean(),
			note: text(500),
			remove: Joi.boolean()
		}).min(1),
	kept: () =>
		Joi.object({
			...jointFields(),
			key: Joi.string().max(60).allow(null).required(),
			removed: Joi.boolean().required()
		})
});
