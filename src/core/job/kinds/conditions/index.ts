import type { Quantity } from '../../../units/parse.ts';
import { defineKind } from '../../book/kind.ts';
import type { Conditions, Phase } from '../../model.ts';

interface Said {
	resolution: Quantity;
	conditions: Conditions;
}

export const conditions = defineKind<'conditions', Said>({
	kind: 'conditions',
	name: 'How the car stood',
	counts: 'last',
	decide: ({ command: { subject }, said }) => [
		{
			kind: 'conditions',
			subject,
			data: { conditions: said.conditions, resolutionMm: said.resolution.si }
		}
	],
	apply(record, { subject, data }) {
		record.heightSets[subject as Phase] = data;
	},
	words: ({ conditions: { tyrePressures, fuel, load, ...checks } }, { subject }) => {
		const not = Object.entries(checks)
			.filter(([, yes]) => !yes)
			.map(([name]) => `not ${name.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`)}`);
		return `how the car stood ${subject}: ${[...not, tyrePressures, fuel, load].filter(Boolean).join(', ') || 'as it should'}`;
	}
});
