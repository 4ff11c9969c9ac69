import Joi from '#joi';
import { text } from '../../../schema/fields.ts';
import { refuse } from '../../../problem.ts';
import { defineKind, wholeCar } from '../../book/kind.ts';

interface Said {
	text?: string;
	withdraw?: boolean;
}

/** A note that stays with the car: shown in every later job of it, until somebody takes it back. */
export const note = defineKind<'note', Said>({
	kind: 'note',
	name: 'Note on the car',
	counts: 'every',
	subject: wholeCar,
	afterSigning: true,
	said: () =>
		Joi.object({
			text: text(500).disallow('').min(3),
			withdraw: Joi.boolean()
		}).xor('text', 'withdraw'),
	kept: () => Joi.object({ text: text(500).required(), withdrawn: Joi.boolean().required() }),
	decide({ command: { subject, corrects }, said }) {
		const withdrawn = said.withdraw ?? false;
		if (withdrawn && !corrects) throw refuse('corrects', 'say which note is taken back');
		return [
			{
				kind: 'note',
				subject,
				data: { text: said.text ?? '', withdrawn },
				...(corrects && { corrects })
			}
		];
	},
	words: ({ text: said, withdrawn }) =>
		withdrawn ? 'a note on the car taken back' : `note on the car: ${said}`,
	projects: ({ data: { text: said, withdrawn }, corrects }) => [
		...(corrects ? [{ of: 'car-note-withdrawn' as const, entryId: corrects }] : []),
		...(withdrawn ? [] : [{ of: 'car-note' as const, text: said }])
	]
});
