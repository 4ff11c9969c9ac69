import { defineKind } from '../../book/kind.ts';
import { planFollows } from '../plan.ts';

export const strategy = defineKind<'strategy'>({
	kind: 'strategy',
	name: 'How it is done',
	counts: 'last',
	saidAsKept: true,
	decide: (site) =>
		planFollows(site, { kind: 'strategy', subject: site.command.subject, data: site.said }),
	words: ({ assembly, springOut, first, sides, people, load }) =>
		`how it is done: ${assembly}, spring by ${springOut}, ${first} first, sides ${sides}, ${people} ${people === 1 ? 'person' : 'people'}, ${load}`
});
