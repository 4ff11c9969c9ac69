import { cornerNames, type Corner } from '../../../height/corners.ts';
import { deciding } from '../../book/deciding.ts';
import { defineKind } from '../../book/kind.ts';

export const compressor = defineKind<'compressor'>({
	kind: 'compressor',
	name: 'Spring compressor',
	counts: 'last',
	saidAsKept: true,
	decide({ command: { subject }, said }) {
		deciding().checkCompressor(said);
		return [{ kind: 'compressor', subject, data: said }];
	},
	words: ({ turned, free }, { subject }) =>
		`compressor at ${cornerNames[subject as Corner].toLowerCase()}: ${turned} steps of turns${free ? ', the spring turns loosely' : ''}`
});
