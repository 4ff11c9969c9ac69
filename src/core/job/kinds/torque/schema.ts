import Joi from 'joi';
import { sights } from '../../../procedure/facts.ts';
import { quantity, text, uuid } from '../../../schema/fields.ts';
import { carState, method, step, torqueFields } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: uuid,
	said: () =>
		Joi.object({
			action: step().default(0),
			torque: quantity('torque', { min: 0.5, max: 1000 }),
			angle: quantity('angle', { min: 1, max: 720 }).description(
				'turned in this step; a torque may be said with it'
			),
			seen: Joi.string().valid(...sights),
			withdraw: Joi.boolean(),
			wrench: text(80).default(''),
			wrenchId: uuid(),
			overrideReason: text(500).disallow('').min(10),
			carState: carState(),
			method: Joi.when('carState', {
				is: 'loaded',
				then: method().required(),
				otherwise: Joi.forbidden()
			}),
			hubToArch: quantity('length', { min: 150, max: 800 }),
			deviceReadingId: uuid(),
			loosenedFirst: Joi.boolean().description(
				'of rubber that had been clamped elsewhere; false: only checked, it keeps its twist'
			),
			aheadReason: text(500)
				.disallow('')
				.min(10)
				.description('why it is tightened before its turn in the order of work')
		})
			.or('torque', 'angle', 'seen', 'withdraw')
			.without('seen', ['torque', 'angle', 'withdraw'])
			.without('withdraw', ['torque', 'angle']),
	kept: () => Joi.object({ ...torqueFields(), withdrawn: Joi.boolean().required() })
});
