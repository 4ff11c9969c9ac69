import Joi from 'joi';
import { springHands } from '../../../bench/spring-fit.ts';
import { fates, stackParts } from '../../../bench/stack.ts';
import { corners } from '../../../height/corners.ts';
import { typed } from '../typed.ts';
import { defineSchemas } from '../../book/kind-schemas.ts';

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
		changed: Joi.object().pattern(
			Joi.string().valid(...stackParts),
			Joi.object({
				fate: Joi.string()
					.valid(...fates)
					.required(),
				way: Joi.string().trim().max(120),
				marked: Joi.string().valid(...springHands)
			})
		),
		typed: typed()
	});

export const schemas = defineSchemas({
	subject: () => Joi.string().valid(...corners),
	said: kept,
	kept
});
