import Joi from 'joi';
import { text } from '../../../schema/fields.ts';
import { defineKind } from '../../book/kind.ts';

const kept = () =>
	Joi.object({
		state: Joi.string().valid('open', 'accepted', 'declined', 'done').required(),
		title: text(200).required(),
		reason: text(500).default('')
	});

export const decision = defineKind<'decision'>({
	kind: 'decision',
	name: 'Decision',
	counts: 'last',
	subject: () => Joi.string().max(120),
	said: kept,
	kept,
	words: ({ state, title, reason }) => `${title}: ${state}${reason ? ` (${reason})` : ''}`
});
