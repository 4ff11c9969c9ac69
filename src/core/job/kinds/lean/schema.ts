import Joi from 'joi';
import { requiredText } from '../../../schema/fields.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const kept = () => Joi.object({ reason: requiredText(300) });

export const schemas = defineSchemas({
	subject: () =>
		Joi.string()
			.pattern(/^(before|after)\/(front|rear)$/)
			.messages({ 'string.pattern.base': 'must be as before/front' }),
	said: kept,
	kept
});
