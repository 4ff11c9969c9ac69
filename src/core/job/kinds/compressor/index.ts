import Joi from 'joi';
import { cornerNames, corners, type Corner } from '../../../height/corners.ts';
import { springCompressor } from '../../../spring/compressor.ts';
import { Problem, refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';
import * as inputs from '../../../schema/inputs.ts';
import { typed } from '../typed.ts';
import type { Data } from './data.ts';

const kept = () =>
	Joi.object({
		input: Joi.object(inputs.compressor()).required(),
		typed: typed(),
		turned: Joi.number().integer().min(0).max(1000).required(),
		free: Joi.boolean().required()
	});

export const compressor = defineKind<'compressor'>({
	kind: 'compressor',
	name: 'Spring compressor',
	counts: 'last',
	subject: () => Joi.string().valid(...corners),
	said: kept,
	kept,
	decide({ command: { subject }, said }) {
		checkCompressor(said);
		return [{ kind: 'compressor', subject, data: said }];
	},
	words: ({ turned, free }, { subject }) =>
		`compressor at ${cornerNames[subject as Corner].toLowerCase()}: ${turned} steps of turns${free ? ', the spring turns loosely' : ''}`
});

/** No turn is counted off with a tool that must not be used for this spring. */
function checkCompressor({ input, turned, free }: Data): void {
	const computed = springCompressor(input);
	if (!computed.ok) throw new Problem(422, 'These numbers have no answer.', computed.faults);
	if (turned === 0 && !free) return;
	const { overloaded, coilBind, forcePerHookN } = computed.value;
	if (input.ratedLoadPerHookN === undefined) {
		throw refuse('input.ratedLoadPerHookN', 'say what the compressor may bear before turning it');
	}
	if (overloaded) {
		throw refuse(
			'input.ratedLoadPerHookN',
			`is less than the ${Math.round(forcePerHookN)} N on each hook: not with this tool`,
			input.ratedLoadPerHookN
		);
	}
	if (coilBind) {
		throw refuse(
			'input.hookedCoils',
			'close before the seat is free: take more coils between the hooks',
			input.hookedCoils
		);
	}
}
