import Joi from '#joi';
import { axleOf, cornerNames, type Corner } from '../../../height/corners.ts';
import { findPoint, inspectionPoints, pointKeys } from '../../../inspect/points.ts';
import { text } from '../../../schema/fields.ts';
import { corner } from '../../../schema/kept.ts';
import { refuse } from '../../../problem.ts';
import { defineKind, type Draft } from '../../book/kind.ts';
import type { JobRecord } from '../../record.ts';
import { layoutsOf } from '../../scope.ts';
import { WorkBook } from '../../work-book.ts';
import type { Data } from './data.ts';

const schema = (keys: readonly string[]) =>
	Joi.object({
		corner: corner(),
		point: Joi.string()
			.valid(...keys)
			.required(),
		state: Joi.string().max(30).allow(null).required(),
		where: text(120).default(''),
		note: text(500).default('')
	})
		.custom((data: Data, helpers) => {
			const states = findPoint(data.point)?.states.map(({ key }) => key) ?? ['sound'];
			return data.state === null || states.includes(data.state)
				? data
				: helpers.error('state', { states: states.join(', ') });
		})
		.messages({ state: 'is not a state of this point; there are {{#states}}' });

const kept = () => schema(pointKeys);
const said = () => schema([...pointKeys, 'rest']);

/** Sound, every point of the corner that nobody has said anything of. */
function soundRest(record: JobRecord, corner: Corner): Draft[] {
	const book = new WorkBook(record.entries);
	const drafts = inspectionPoints(layoutsOf(record)[axleOf(corner)])
		.filter(({ key }) => !book.get('finding', `${corner}/${key}`)?.state)
		.map(({ key, states: [sound] }): Draft => ({
			kind: 'finding',
			subject: `${corner}/${key}`,
			data: { corner, point: key, state: sound!.key, where: '', note: '' }
		}));
	if (drafts.length) return drafts;
	throw refuse('point', 'has nothing left: every point of this corner was looked at', 'rest');
}

export const finding = defineKind<'finding'>({
	kind: 'finding',
	name: 'Finding',
	counts: 'last',
	subject: () => Joi.string().max(120),
	said,
	kept,
	decide({ record, command: { subject }, said }) {
		const wanted = `${said.corner}/${said.point}`;
		if (subject !== wanted) throw refuse('subject', `must be ${wanted} for this finding`, subject);
		if (said.point === 'rest') return soundRest(record, said.corner);
		return [{ kind: 'finding', subject, data: said }];
	},
	words({ corner: at, point, state, where, note }) {
		const found = findPoint(point);
		const name = found?.states.find(({ key }) => key === state)?.name.toLowerCase();
		const more = [where, note].filter(Boolean).join(', ');
		return `${cornerNames[at].toLowerCase()}, ${found?.name.toLowerCase() ?? point}: ${name ?? state ?? 'taken back'}${more ? ` (${more})` : ''}`;
	}
});
