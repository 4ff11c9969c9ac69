import Joi from '#joi';
import { cornerNames, corners, type Corner } from '../../../height/corners.ts';
import { defineKind } from '../../book/kind.ts';

const kept = () =>
	Joi.object({
		movements: Joi.number().min(0).max(20).allow(null).required(),
		dampingRatio: Joi.number().min(0).max(5),
		expanded: Joi.number().min(0).max(5)
	});

export const bounce = defineKind<'bounce'>({
	kind: 'bounce',
	name: 'Bounce test',
	counts: 'last',
	subject: () => Joi.string().valid(...corners),
	said: kept,
	kept,
	words: ({ movements, dampingRatio }, { subject }) =>
		`bounce at ${cornerNames[subject as Corner].toLowerCase()}: ${movements === null ? 'taken back' : `${movements} movements`}${dampingRatio === undefined ? '' : `, damping ratio ${dampingRatio.toFixed(2)}`}`
});
