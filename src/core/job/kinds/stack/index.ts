import Joi from '#joi';
import { stackParts } from '../../../bench/stack.ts';
import { cornerNames, corners, type Corner } from '../../../height/corners.ts';
import { defineKind } from '../../book/kind.ts';
import { typed } from '../typed.ts';

const degrees = () => Joi.number().min(-720).max(720);
const seconds = () => Joi.number().greater(0).max(600);
const kept = () =>
	Joi.object({
		order: Joi.array()
			.items(Joi.string().valid(...stackParts))
			.max(30)
			.required(),
		checks: Joi.object({
			clockOldDeg: degrees(),
			clockNewDeg: degrees(),
			reboundOldS: seconds(),
			reboundNewS: seconds(),
			threadMm: Joi.number().min(-5).max(100),
			threadOtherMm: Joi.number().min(-5).max(100),
			strokes: Joi.number().integer().min(0).max(100)
		}).required(),
		typed: typed()
	});

export const stack = defineKind<'stack'>({
	kind: 'stack',
	name: 'Stack of the unit',
	counts: 'last',
	subject: () => Joi.string().valid(...corners),
	said: kept,
	kept,
	words: ({ order }, { subject }) =>
		`unit of ${cornerNames[subject as Corner].toLowerCase()}, on so far: ${order.map((part) => part.replace('-', ' ')).join(', ') || 'nothing'}`
});
