import Joi from 'joi';
import { ownFields } from '../../core/job/kinds/own/schema.ts';
import { requiredText, uuid } from '../../core/schema/fields.ts';

/** What shops share of what they know: an open file, `vane-set-own-knowledge` version 1. */
export const ownFileSchema = Joi.object({
	format: Joi.string().valid('vane-set-own-knowledge').required(),
	version: Joi.number().valid(1).required(),
	shop: requiredText(120),
	items: Joi.array()
		.items(
			Joi.object({
				id: uuid().required(),
				scope: Joi.string().valid('model', 'layout').required(),
				of: requiredText(130).description('make|model, or the layout’s key'),
				layout: requiredText(40),
				own: Joi.object(ownFields()).required()
			})
		)
		.max(5000)
		.required()
});
