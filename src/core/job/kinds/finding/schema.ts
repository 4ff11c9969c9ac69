import Joi from 'joi';
import { findPoint, pointKeys } from '../../../inspect/points.ts';
import { text } from '../../../schema/fields.ts';
import { corner } from '../../../schema/kept.ts';
import type { Data } from './data.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const schema = (keys: readonly string[]) =>
	Joi.object({
		corner: corner(),
		point: Joi.string()
			.valid(...keys)
			.required(),
		state: Joi.string().max(30).allow(null).required(),
		where: text(120).default(''),
		note: text(500).default('')
	})
		.custom((data: Data, helpers) => {
			const states = findPoint(data.point)?.states.map(({ key }) => key) ?? ['sound'];
			return data.state === null || states.includes(data.state)
				? data
				: helpers.error('state', { states: states.join(', ') });
		})
		.messages({ state: 'is not a state of this point; there are {{#states}}' });

const kept = () => schema(pointKeys);

const said = () => schema([...pointKeys, 'rest']);

export const schemas = defineSchemas({
	subject: () => Joi.string().max(120),
	said,
	kept
});
