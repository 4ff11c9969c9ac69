import Joi from '#joi';
import { id } from '../../../schema/kept.ts';
import { pastMoment, text } from '../../../schema/fields.ts';
import { defineKind, wholeCar } from '../../book/kind.ts';

/** Ends what was carried over from before there was one book. */
export const carried = defineKind<'carried'>({
	kind: 'carried',
	name: 'Carried over',
	counts: 'last',
	subject: wholeCar,
	kept: () =>
		Joi.object({
			chain: Joi.array()
				.items(
					Joi.object({
						seq: Joi.number().integer().min(1).required(),
						kind: Joi.string().valid('reading', 'torque', 'loading').required(),
						id: id(),
						hash: Joi.string()
							.pattern(/^[0-9a-f]{64}$/)
							.required()
					})
				)
				.max(6000)
				.required(),
			changes: Joi.array()
				.items(
					Joi.object({
						version: Joi.number().integer().min(1).required(),
						personId: id(),
						what: text(500).required(),
						at: pastMoment().required()
					})
				)
				.max(10_000)
				.required()
		}),
	words: ({ chain, changes }) =>
		`carried over from an earlier version with ${changes.length} ${changes.length === 1 ? 'change' : 'changes'} of its head${chain.length ? `; its first chain of ${chain.length} ended with ${chain.at(-1)!.hash.slice(0, 16)}` : ''}`
});
