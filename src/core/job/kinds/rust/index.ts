import Joi from '#joi';
import { rustGrades } from '../../../work/scope.ts';
import { defineKind, wholeCar } from '../../book/kind.ts';

const kept = () =>
	Joi.object({
		grade: Joi.string()
			.valid(...rustGrades)
			.required()
	});

export const rust = defineKind<'rust'>({
	kind: 'rust',
	name: 'Rust',
	counts: 'last',
	subject: wholeCar,
	said: kept,
	kept,
	words: ({ grade }) => `rust: ${grade}`
});
