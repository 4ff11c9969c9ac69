import Joi from 'joi';
import { requiredText, text, uuid } from '../../../schema/fields.ts';
import { ownScopes, ownWhats } from '../../../work/own.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const anchor = () =>
	Joi.string()
		.pattern(/^[a-z-]+(:[a-z0-9-]+)?$/, 'a step by its kind')
		.max(120);

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
	look: text(200).disallow('')
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
