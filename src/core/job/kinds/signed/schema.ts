import Joi from 'joi';
import { text } from '../../../schema/fields.ts';
import { defineSchemas, wholeCar } from '../../book/kind-schemas.ts';

const item = () => text(600).disallow('').required();

export const schemas = defineSchemas({
	subject: wholeCar,
	said: () =>
		Joi.object({
			over: Joi.array()
				.items(Joi.object({ item: item(), reason: text(1000).disallow('').min(10).required() }))
				.max(1000)
				.default([])
				.description('of a lead: each open item as it is listed, with the reason')
		}),
	kept: () =>
		Joi.object({
			over: Joi.array().items(Joi.object({ item: item(), reason: text(1000).required() })),
			// Before each open item had its reason.
			overrideReason: text(1000).allow(null),
			owed: Joi.array().items(text(600)).max(1000)
		})
			.xor('over', 'owed')
			.and('owed', 'overrideReason')
});
