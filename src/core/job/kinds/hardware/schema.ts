import Joi from 'joi';
import { quantity, text, uuid } from '../../../schema/fields.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const saidOutcome = () =>
	Joi.object({
		done: Joi.string().valid('renewed', 'reused').required(),
		reason: text(300).when('done', {
			is: 'reused',
			then: Joi.string().disallow('').min(5).required(),
			otherwise: Joi.valid('').default('')
		}),
		grip: quantity('torque', { min: 0.05, max: 100 })
	}).allow(null);

const outcome = () =>
	Joi.object({
		done: Joi.string().valid('renewed', 'reused').required(),
		reason: text(300).required(),
		gripNm: Joi.number().greater(0).max(100).allow(null).required(),
		gripEntered: text(60).allow(null).required()
	})
		.allow(null)
		.required();

export const schemas = defineSchemas({
	subject: uuid,
	said: () => Joi.object({ fastener: saidOutcome(), pin: saidOutcome() }).or('fastener', 'pin'),
	kept: () => Joi.object({ fastener: outcome(), pin: outcome() })
});
