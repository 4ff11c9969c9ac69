import { axleOf, cornerNames, type Corner } from '../../../height/corners.ts';
import { findPoint, inspectionPoints } from '../../../inspect/points.ts';
import { refuse } from '../../../problem.ts';
import { defineKind, type Draft } from '../../book/kind.ts';
import type { JobRecord } from '../../record.ts';
import { layoutsOf } from '../../scope.ts';
import { WorkBook } from '../../work-book.ts';

/** Sound, every point of the corner that nobody has said anything of. */
function soundRest(record: JobRecord, corner: Corner): Draft[] {
	const book = WorkBook.of(record);
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
