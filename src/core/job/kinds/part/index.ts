import Joi from '#joi';
import { text } from '../../../schema/fields.ts';
import { defineKind } from '../../book/kind.ts';
import { partStatuses, partStatusNames } from './data.ts';

const kept = () =>
	Joi.object({
		number: text(60).default(''),
		status: Joi.string()
			.valid(...partStatuses)
			.required(),
		note: text(200).default(''),
		oldNumber: text(60)
	});

export const part = defineKind<'part'>({
	kind: 'part',
	name: 'Part',
	counts: 'last',
	subject: () => Joi.string().max(120),
	said: kept,
	kept,
	words: ({ number, status, note, oldNumber }, { subject }) =>
		`part ${subject.replace(/[:/-]/g, ' ')}: ${[partStatusNames[status].toLowerCase(), number, oldNumber && `old one ${oldNumber}`, note].filter(Boolean).join(', ')}`
});
