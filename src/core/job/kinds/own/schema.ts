import Joi from 'joi';
import { requiredText, text, uuid } from '../../../schema/fields.ts';
import { coverPlaces } from '../../../layout/types.ts';
import { ownScopes, ownWhats } from '../../../work/shop-knowledge.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const anchor = () =>
	Joi.string()
		.pattern(/^[a-z-]+(:[a-z0-9-]+)?$/, 'a step by its kind')
		.max(120);

const layoutKey = () =>
	Joi.string()
		.pattern(/^[a-z0-9-]+$/, 'a key of small letters')
		.max(40);

/** A cover as this car has it. */
const cover = () =>
	Joi.object({
		key: layoutKey().required(),
		name: requiredText(80),
		where: Joi.string()
			.valid(...coverPlaces)
			.required(),
		over: Joi.array().items(layoutKey()).max(12).required(),
		liesOn: Joi.array().items(layoutKey()).max(8),
		shared: Joi.boolean(),
		held: Joi.array()
			.items(
				Joi.object({
					what: requiredText(60),
					count: Joi.number().integer().min(1).max(40),
					hidden: text(120).disallow(''),
					slackened: Joi.boolean().valid(true)
				})
			)
			.max(6),
		plugs: Joi.array().items(requiredText(80)).max(6),
		traps: Joi.array().items(requiredText(160)).max(6)
	});

/** As it is said of a step, and as files of own knowledge carry it. */
export const ownFields = () => ({
	what: Joi.string()
		.valid(...ownWhats)
		.required(),
	text: requiredText(200),
	where: Joi.string().valid('car', 'front', 'rear').required(),
	anchor: anchor().required(),
	before: anchor(),
	minutes: Joi.number().min(1).max(480),
	look: text(200).disallow(''),
	cover: cover().when('what', { is: 'cover', then: Joi.required(), otherwise: Joi.forbidden() })
});

const kept = () =>
	Joi.object({
		...ownFields(),
		for: Joi.string()
			.valid(...ownScopes)
			.required(),
		of: uuid(),
		removed: Joi.boolean()
	});

export const schemas = defineSchemas({
	subject: uuid,
	said: kept,
	kept
});
