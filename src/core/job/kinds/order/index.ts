import Joi from '#joi';
import { defineKind, wholeCar } from '../../book/kind.ts';
import { stepId } from '../step/subject.ts';

const kept = () => Joi.object({ ids: Joi.array().items(stepId()).max(300).unique().required() });

export const order = defineKind<'order'>({
	kind: 'order',
	name: 'Order of work',
	counts: 'last',
	subject: wholeCar,
	said: kept,
	kept,
	words: ({ ids }) =>
		ids.length ? 'order of work changed by hand' : 'order of work as the rules have it'
});
