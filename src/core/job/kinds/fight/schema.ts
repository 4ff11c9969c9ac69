import Joi from 'joi';
import { fightOutcomes, rungKeys } from '../../../fastener/stuck-fastener.ts';
import { text } from '../../../schema/fields.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () =>
	Joi.object({
		tried: Joi.array()
			.items(Joi.string().valid(...rungKeys))
			.max(30)
			.required(),
		outcome: Joi.string()
			.valid(...fightOutcomes)
			.required(),
		note: text(300).default('')
	});

export const schemas = defineSchemas({
	subject: () =>
		Joi.string().pattern(
			/^(FL|FR|RL|RR)\/[a-z0-9-]{1,60}$/,
			'a corner and a joint, as FL/damper-bottom'
		),
	said: kept,
	kept
});
