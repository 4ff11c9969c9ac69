import { defineKind } from '../../book/kind.ts';
import { refuse } from '../../../problem.ts';
import { unknownWays } from '../../../work/scope.ts';
import { layoutsOf } from '../../scope.ts';
import { axles, WorkBook } from '../../work-book.ts';
import { planFollows } from '../plan.ts';

export const strategy = defineKind<'strategy'>({
	kind: 'strategy',
	name: 'How it is done',
	counts: 'last',
	saidAsKept: true,
	decide(site) {
		const { said, record, command } = site;
		const layouts = layoutsOf(record);
		// Of a car that was another one before, what was chosen then may stay.
		const before = WorkBook.of(record).get('strategy')?.ways;
		const [wrong] = axles.flatMap((axle) => {
			const all = Object.entries(said.ways?.[axle] ?? {});
			const chosen = all.filter(([part, key]) => before?.[axle]?.[part] !== key);
			return unknownWays(layouts[axle], axle, { [axle]: Object.fromEntries(chosen) });
		});
		if (wrong) throw refuse(wrong.field, wrong.message, wrong.value);
		return planFollows(site, { kind: 'strategy', subject: command.subject, data: said });
	},
	words: ({ assembly, springOut, first, sides, people, load }) =>
		`how it is done: ${assembly}, spring by ${springOut}, ${first} first, sides ${sides}, ${people} ${people === 1 ? 'person' : 'people'}, ${load}`
});
