import Joi from '#joi';
import { defineKind, wholeCar } from '../../book/kind.ts';
import { planFollows } from '../plan.ts';

const kept = () =>
	Joi.object({
		assembly: Joi.string().valid('rebuild', 'complete').required(),
		springOut: Joi.string().valid('lower-arm', 'internal-compressor').required(),
		first: Joi.string().valid('bottom', 'top').required(),
		sides: Joi.string().valid('one-by-one', 'together').required(),
		people: Joi.number().valid(1, 2).required(),
		load: Joi.string().valid('jack-to-height', 'on-wheels').required()
	});

export const strategy = defineKind<'strategy'>({
	kind: 'strategy',
	name: 'How it is done',
	counts: 'last',
	subject: wholeCar,
	said: kept,
	kept,
	decide: ({ record, command: { subject }, said }) =>
		planFollows(record, { kind: 'strategy', subject, data: said }),
	words: ({ assembly, springOut, first, sides, people, load }) =>
		`how it is done: ${assembly}, spring by ${springOut}, ${first} first, sides ${sides}, ${people} ${people === 1 ? 'person' : 'people'}, ${load}`
});
