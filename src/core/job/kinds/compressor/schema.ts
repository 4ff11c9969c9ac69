import Joi from 'joi';
import { corners } from '../../../height/corners.ts';
import * as inputs from '../../../schema/inputs.ts';
import { typed } from '../typed.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const told = (input: Joi.Schema) =>
	Joi.object({
		input: input.required(),
		typed: typed(),
		turned: Joi.number().integer().min(0).max(1000).required(),
		free: Joi.boolean().required()
	});

const said = () => told(Joi.object(inputs.compressor()));

/** Books from before screws and hooks were told apart have one number for both. */
const kept = () => {
	const { screws, hooksPerScrew, ...rest } = inputs.compressor();
	return told(
		Joi.object({
			...rest,
			screws: screws.optional(),
			hooksPerScrew: hooksPerScrew.optional(),
			hooks: Joi.number().integer().min(1).max(8)
		})
			.xor('screws', 'hooks')
			.and('screws', 'hooksPerScrew')
	);
};

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...corners),
	said,
	kept
});
