import { refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';

interface Said {
	text?: string;
	withdraw?: boolean;
}

/** A note that stays with the car: shown in every later job of it, until somebody takes it back. */
export const note = defineKind<'note', Said>({
	kind: 'note',
	name: 'Note on the car',
	counts: 'every',
	afterSigning: true,
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
