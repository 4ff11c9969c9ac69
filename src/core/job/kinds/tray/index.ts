import Joi from '#joi';
import { text, uuid } from '../../../schema/fields.ts';
import { defineKind } from '../../book/kind.ts';

const kept = () =>
	Joi.object({
		step: text(80).default(''),
		place: Joi.string()
			.pattern(/^[A-Z][1-9]$/, 'a place such as A3')
			.required(),
		name: text(120).disallow('').required(),
		count: Joi.number().integer().min(1).max(99).required(),
		lengthMm: Joi.number().greater(0).max(500),
		back: Joi.number().integer().min(0).max(99).required(),
		reason: text(300),
		removed: Joi.boolean()
	});

export const tray = defineKind<'tray'>({
	kind: 'tray',
	name: 'Tray',
	counts: 'last',
	subject: uuid,
	said: kept,
	kept,
	words: ({ place, name, count, back, reason, removed }) =>
		removed
			? `tray ${place}: ${name} taken off the map`
			: `tray ${place}: ${name}, ${back} of ${count} back${reason ? ` (${reason})` : ''}`
});
