import Joi from '#joi';
import { defineKind } from '../../book/kind.ts';

const money = () => Joi.number().min(0).max(100_000).required();
const kept = () => Joi.object({ unit: money(), damper: money(), wearParts: money() });

export const prices = defineKind<'prices'>({
	kind: 'prices',
	name: 'Prices',
	counts: 'last',
	subject: () => Joi.string().valid('front', 'rear'),
	said: kept,
	kept,
	words: ({ unit, damper, wearParts }, { subject }) =>
		`prices, ${subject} corner: unit ${unit}, damper ${damper}, wear parts ${wearParts}`
});
