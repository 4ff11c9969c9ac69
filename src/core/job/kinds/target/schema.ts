import Joi from 'joi';
import { corners } from '../../../height/corners.ts';
import { quantity } from '../../../schema/fields.ts';
import { mm, targetFields } from '../../../schema/kept.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...corners),
	said: () =>
		Joi.object({
			height: quantity('length', {})
				.allow(null)
				.description('null goes back to the default; a predicted one is computed')
				.when('source', { is: 'predicted', then: Joi.forbidden(), otherwise: Joi.required() }),
			source: Joi.string().valid('maker', 'predicted', 'chosen').required(),
			prediction: Joi.object({
				sprungLoad: quantity('force', { min: 100, max: 50_000 }).required(),
				weighed: Joi.number().valid(1).description('the load was read on scales'),
				motionRatio: Joi.number().min(0.1).max(2).required(),
				oldLength: quantity('length', { min: 50, max: 1500 }).description(
					'of the old spring under the car, seat to seat'
				),
				oldRate: quantity('rate', { min: 1, max: 1000 }),
				oldFreeLength: quantity('length', { min: 50, max: 1500 }),
				gasOld: quantity('force', { min: 0, max: 2000 }),
				gasNew: quantity('force', { min: 0, max: 2000 }),
				newRate: quantity('rate', { min: 1, max: 1000 }).required(),
				newFreeLength: quantity('length', { min: 50, max: 1500 }).required(),
				seatChange: quantity('length', { min: -100, max: 100 }).required(),
				settling: quantity('length', { min: 0, max: 30 }).required()
			})
				.and('oldRate', 'oldFreeLength')
				.or('oldLength', 'oldRate')
				.when('source', { is: 'predicted', then: Joi.required(), otherwise: Joi.forbidden() })
		}),
	kept: () => Joi.object({ heightMm: mm().allow(null).required(), ...targetFields() })
});
