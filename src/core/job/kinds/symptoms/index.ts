import { symptomNames } from '../../../inspect/symptoms.ts';
import { defineKind } from '../../book/kind.ts';

export const symptoms = defineKind<'symptoms'>({
	kind: 'symptoms',
	name: 'Symptoms',
	counts: 'last',
	saidAsKept: true,
	words: ({ symptoms: list }) =>
		`symptoms: ${list.map((key) => symptomNames[key].toLowerCase()).join(', ') || 'none'}`
});
