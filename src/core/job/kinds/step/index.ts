import { springFitWords } from '../../../bench/spring-fit.ts';
import { believable } from '../../../work/minutes.ts';
import type { StepKind } from '../../../work/operations.ts';
import { deciding } from '../../book/deciding.ts';
import { defineKind, type Projected } from '../../book/kind.ts';
import { viewWork } from '../../work.ts';

/** A step is done in its turn, or a lead says why not; its time is taken from its start. */
export const step = defineKind<'step'>({
	kind: 'step',
	name: 'Step',
	counts: 'last',
	saidAsKept: true,
	decide: (site) => deciding().decideStep(site),
	words: ({ state, note, overrideReason, spring }, { subject }, record) => {
		const { order } = viewWork(record, record.limits);
		const title = order.steps.find(({ id }) => id === subject)?.title ?? subject;
		const how = { started: 'begun', done: 'done', open: 'open again' }[state];
		const at = subject.split('/')[0]!;
		return `${at === 'car' ? '' : `${at}, `}${title}: ${how}${note ? ` (${note})` : ''}${spring ? `, ${springFitWords(spring)}` : ''}${overrideReason ? `; passed over its gate: ${overrideReason}` : ''}`;
	},
	projects({ subject, data: { tookMin, expectedMin, links } }, car) {
		const undone: Projected[] = links
			? [{ of: 'links-undone', ...links, modelYear: car.modelYear ?? 0 }]
			: [];
		if (!tookMin || !expectedMin) return undone;
		const ratio = tookMin / expectedMin;
		if (!believable(ratio)) return undone;
		const kind = subject.split('/')[1]!.split(':')[0] as StepKind;
		return kind === 'own'
			? undone
			: [...undone, { of: 'step-time', kind, logRatio: Math.log(ratio) }];
	}
});
