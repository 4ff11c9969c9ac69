import Joi from 'joi';
import { padStates, springHands, springWaysUp } from '../../../bench/spring-fit.ts';
import { rustGrades } from '../../../work/scope.ts';
import { text } from '../../../schema/fields.ts';
import { stepId } from './subject.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

const pad = () =>
	Joi.object({
		state: Joi.string()
			.valid(...padStates)
			.required(),
		mm: Joi.number().min(0.5).max(60)
	}).required();

const kept = () =>
	Joi.object({
		state: Joi.string().valid('started', 'done', 'open').required(),
		note: text(300).default(''),
		joints: Joi.array().items(text(60)).max(60),
		overrideReason: text(500).disallow('').min(10),
		tookMin: Joi.number().min(0).max(100_000),
		expectedMin: Joi.number().min(0).max(10_000),
		spring: Joi.object({
			hand: Joi.string()
				.valid(...springHands)
				.required(),
			wayUp: Joi.string()
				.valid(...springWaysUp)
				.required(),
			upper: pad(),
			lower: pad()
		}),
		links: Joi.object({
			undone: Joi.number().integer().min(1).max(8).required(),
			ruined: Joi.number().integer().min(0).max(8).required(),
			rust: Joi.string()
				.valid(...rustGrades)
				.required()
		})
	});

export const schemas = defineSchemas({
	subject: stepId,
	said: kept,
	kept
});
