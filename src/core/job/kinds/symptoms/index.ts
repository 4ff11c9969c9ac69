import Joi from '#joi';
import { symptomKeys, symptomNames } from '../../../inspect/suspects.ts';
import { defineKind, wholeCar } from '../../book/kind.ts';

const kept = () =>
	Joi.object({
		symptoms: Joi.array()
			.items(Joi.string().valid(...symptomKeys))
			.unique()
			.required()
	});

export const symptoms = defineKind<'symptoms'>({
	kind: 'symptoms',
	name: 'Symptoms',
	counts: 'last',
	subject: wholeCar,
	said: kept,
	kept,
	words: ({ symptoms: list }) =>
		`symptoms: ${list.map((key) => symptomNames[key].toLowerCase()).join(', ') || 'none'}`
});
