import Joi from 'joi';
import { cornerNames } from '../../../height/corners.ts';
import { findPoint, pointKeys } from '../../../inspect/points.ts';
import { text } from '../../../schema/fields.ts';
import { corner } from '../../../schema/kept.ts';
import { refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';
import type { Data } from './data.ts';

const kept = () =>
	Joi.object({
		corner: corner(),
		point: Joi.string()
			.valid(...pointKeys)
			.required(),
		state: Joi.string().max(30).allow(null).required(),
		where: text(120).default(''),
		note: text(500).default('')
	})
		.custom((data: Data, helpers) => {
			const states = findPoint(data.point)!.states.map(({ key }) => key);
			return data.state === null || states.includes(data.state)
				? data
				: helpers.error('state', { states: states.join(', ') });
		})
		.messages({ state: 'is not a state of this point; there are {{#states}}' });

export const finding = defineKind<'finding'>({
	kind: 'finding',
	name: 'Finding',
	counts: 'last',
	subject: () => Joi.string().max(120),
	said: kept,
	kept,
	decide({ command: { subject }, said }) {
		const wanted = `${said.corner}/${said.point}`;
		if (subject !== wanted) throw refuse('subject', `must be ${wanted} for this finding`, subject);
		return [{ kind: 'finding', subject, data: said }];
	},
	words({ corner: at, point, state, where, note }) {
		const found = findPoint(point);
		const name = found?.states.find(({ key }) => key === state)?.name.toLowerCase();
		const more = [where, note].filter(Boolean).join(', ');
		return `${cornerNames[at].toLowerCase()}, ${found?.name.toLowerCase() ?? point}: ${name ?? state ?? 'taken back'}${more ? ` (${more})` : ''}`;
	}
});
