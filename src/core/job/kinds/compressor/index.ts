import { cornerNames, type Corner } from '../../../height/corners.ts';
import { readCompressorInput, springCompressor } from '../../../spring/compressor.ts';
import { Problem, refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';
import type { Data } from './data.ts';

export const compressor = defineKind<'compressor'>({
	kind: 'compressor',
	name: 'Spring compressor',
	counts: 'last',
	decide({ command: { subject }, said }) {
		checkCompressor(said);
		return [{ kind: 'compressor', subject, data: said }];
	},
	words: ({ turned, free }, { subject }) =>
		`compressor at ${cornerNames[subject as Corner].toLowerCase()}: ${turned} steps of turns${free ? ', the spring turns loosely' : ''}`
});

/** No turn is counted off with a tool that must not be used for this spring. */
function checkCompressor({ input, turned, free }: Data): void {
	const computed = springCompressor(readCompressorInput(input));
	if (!computed.ok) throw new Problem(422, 'These numbers have no answer.', computed.faults);
	if (turned === 0 && !free) return;
	const { overloaded, coilBind, forcePerHookN, forcePerScrewN } = computed.value;
	if (input.ratedLoadPerHookN === undefined) {
		throw refuse('input.ratedLoadPerHookN', 'say what the compressor may bear before turning it');
	}
	if (overloaded) {
		const hook = forcePerHookN > input.ratedLoadPerHookN;
		const [of, force] = hook ? ['Hook', forcePerHookN] : ['Screw', forcePerScrewN];
		throw refuse(
			`input.ratedLoadPer${of}N`,
			`is less than the ${Math.round(force)} N on each ${of.toLowerCase()}: not with this tool`,
			hook ? input.ratedLoadPerHookN : input.ratedLoadPerScrewN
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
