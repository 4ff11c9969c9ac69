import { cornerNames, corners, type Corner } from '../../../height/corners.ts';
import { deciding } from '../../book/deciding.ts';
import { defineKind } from '../../book/kind.ts';
import type { Said } from './decide.ts';

export const target = defineKind<'target', Said>({
	kind: 'target',
	name: 'Target height',
	counts: 'last',
	decide: (site) => deciding().decideTarget(site),
	apply(record, { subject, data: { heightMm, ...data } }) {
		const at = subject as Corner;
		record.targets = record.targets.filter(({ corner }) => corner !== at);
		if (heightMm === null) return;
		record.targets.push({ corner: at, heightMm, ...data });
		record.targets.sort((a, b) => corners.indexOf(a.corner) - corners.indexOf(b.corner));
	},
	words: ({ heightMm, entered, source }, { subject }) =>
		`${cornerNames[subject as Corner]}: target ${heightMm === null ? 'back to the default' : source === 'predicted' ? `predicted, ${heightMm.toFixed(1)} mm` : entered}`
});
