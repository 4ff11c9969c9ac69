import { refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';

export const handout = defineKind<'handout'>({
	kind: 'handout',
	name: 'Customer’s page',
	counts: 'last',
	saidAsKept: true,
	afterSigning: true,
	decide({ record, command: { subject }, said }) {
		const strange = said.photoIds.find((id) => !record.photos.some((photo) => photo.id === id));
		if (strange) throw refuse('photoIds', 'has a photo that is not of this job', strange);
		return [{ kind: 'handout', subject, data: said }];
	},
	words: ({ photoIds, note }) =>
		`customer’s page: ${photoIds.length} ${photoIds.length === 1 ? 'photo' : 'photos'}${note ? `, “${note}”` : ''}`
});
