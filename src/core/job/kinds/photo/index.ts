import { cornerNames } from '../../../height/corners.ts';
import { refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';

/** Its picture comes in by a door of its own; here it is taken out of sight, or back. */
export const photo = defineKind<'photo', { withdrawn: boolean }>({
	kind: 'photo',
	name: 'Photo',
	counts: 'last',
	decide({ record, command: { subject }, said }) {
		const here = record.photos.find(({ id }) => id === subject);
		if (!here) throw refuse('subject', 'is not a photo of this job', subject);
		const { corner: at, subject: about, note, width, height, digest } = here;
		const data = { corner: at, about, note, width, height, digest, withdrawn: said.withdrawn };
		return [{ kind: 'photo', subject, data }];
	},
	apply(record, { subject, data, personId, enteredAt }) {
		const { about, ...shown } = data;
		const here = record.photos.findIndex(({ id }) => id === subject);
		if (here >= 0) record.photos[here] = { ...record.photos[here]!, withdrawn: data.withdrawn };
		else {
			record.photos.push({ ...shown, id: subject, subject: about, personId, takenAt: enteredAt });
		}
	},
	words: ({ corner: at, about, withdrawn }) => {
		const what = [at && cornerNames[at].toLowerCase(), about].filter(Boolean).join(', ');
		return `photo${what ? `: ${what}` : ''}${withdrawn ? ', taken out of sight' : ''}`;
	}
});
