import { ownNames } from '../../../work/shop-knowledge.ts';
import { deciding } from '../../book/deciding.ts';
import { defineKind } from '../../book/kind.ts';

/** What this job taught: a step, a note, a socket, a count; kept for the next car of its kind if somebody says so. */
export const own = defineKind<'own'>({
	kind: 'own',
	name: 'Own knowledge',
	counts: 'last',
	saidAsKept: true,
	decide: (site) => deciding().decideOwn(site),
	words: ({ what, text, removed, for: whom }) =>
		removed
			? `own knowledge taken back: ${text}`
			: `${ownNames[what].toLowerCase()}: ${text}${whom === 'job' ? '' : `, kept for this ${whom}`}`,
	projects({ subject, data: { for: whom, of, removed, ...said } }, car) {
		const axle = said.where === 'car' ? 'front' : said.where;
		return [
			{
				of: 'own-knowledge',
				id: of ?? subject,
				subject,
				corrects: of !== undefined,
				scope: whom,
				layout: car.axles[axle].layout,
				own: removed ? null : said
			}
		];
	}
});
