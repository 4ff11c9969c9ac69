import Joi from '#joi';
import { text, uuid } from '../../../schema/fields.ts';
import { refuse } from '../../../problem.ts';
import { defineKind, wholeCar } from '../../book/kind.ts';

const kept = () =>
	Joi.object({
		photoIds: Joi.array().items(uuid()).unique().max(12).required(),
		note: text(1000).default('')
	});

export const handout = defineKind<'handout'>({
	kind: 'handout',
	name: 'Customer’s page',
	counts: 'last',
	subject: wholeCar,
	said: kept,
	kept,
	afterSigning: true,
	decide({ record, command: { subject }, said }) {
		const strange = said.photoIds.find((id) => !record.photos.some((photo) => photo.id === id));
		if (strange) throw refuse('photoIds', 'has a photo that is not of this job', strange);
		return [{ kind: 'handout', subject, data: said }];
	},
	words: ({ photoIds, note }) =>
		`customer’s page: ${photoIds.length} ${photoIds.length === 1 ? 'photo' : 'photos'}${note ? `, “${note}”` : ''}`
});
