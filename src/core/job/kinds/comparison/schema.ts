import Joi from 'joi';
import { comparedParts, dimensionsOf } from '../../../bench/compare.ts';
import { text } from '../../../schema/fields.ts';
import { corner } from '../../../schema/kept.ts';
import { typed } from '../typed.ts';
import type { Data } from './data.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

/** A difference is explained in no fewer letters. */
const leastReason = 5;

/** A regular expression, so that the published schema says it too. */
const dimensionKeys = new RegExp(
	`^(${comparedParts.flatMap((part) => dimensionsOf[part].map(({ key }) => key)).join('|')})$`
);

const measures = () =>
	Joi.object({
		values: Joi.object().pattern(dimensionKeys, Joi.number().greater(0).max(3000)).required(),
		hand: Joi.string().valid('left', 'right', 'either')
	});

const kept = () =>
	Joi.object({
		corner: corner(),
		part: Joi.string()
			.valid(...comparedParts)
			.required(),
		old: measures().required(),
		new: measures().required(),
		typed: typed(),
		outcome: Joi.string().valid('open', 'fits', 'explained', 'returned').required(),
		reason: text(500).default('')
	})
		.custom((data: Data, helpers) =>
			data.outcome === 'explained' && data.reason.length < leastReason
				? helpers.error('reason')
				: data
		)
		.messages({ reason: `wants a reason of ${leastReason} letters or more for the difference` });

export const schemas = defineSchemas({
	subject: () => Joi.string().max(120),
	said: kept,
	kept
});
