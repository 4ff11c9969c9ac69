import Joi from 'joi';
import { text } from '../../schema/fields.ts';

/** What was typed for a number, beside its SI value, by the number's name. */
export type Typed = Record<string, string>;

export const typed = () =>
	Joi.object()
		.pattern(/^[A-Za-z0-9.-]{1,60}$/, text(60))
		.max(40)
		.default({});
