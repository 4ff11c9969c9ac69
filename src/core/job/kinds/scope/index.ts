import { defineKind } from '../../book/kind.ts';
import type { Axle } from '../../../height/corners.ts';
import { refuse } from '../../../problem.ts';
import { askedJobs, jobsOf } from '../../../work/jobs.ts';
import { layoutsOf } from '../../scope.ts';
import { planFollows } from '../plan.ts';

export const scope = defineKind<'scope'>({
	kind: 'scope',
	name: 'What is renewed',
	counts: 'last',
	saidAsKept: true,
	decide(site) {
		const { record, command, said } = site;
		const { subject } = command;
		const known = jobsOf(layoutsOf(record)[subject as Axle]).map(({ id }) => id);
		const wrong = said.also?.find((id) => !known.includes(id));
		if (wrong) throw refuse('also', `is no job of this axle: one of ${known.join(', ')}`, wrong);
		return planFollows(site, { kind: 'scope', subject, data: said });
	},
	words: ({ damper, spring, bushes, also }, { subject }, record) => {
		const jobs = askedJobs(layoutsOf(record)[subject as Axle], also);
		const list = [
			damper && 'dampers',
			spring && 'springs',
			bushes && 'bushes',
			...jobs.map(({ name }) => name.toLowerCase())
		].filter(Boolean);
		return `${subject} axle, renewed: ${list.join(', ') || 'nothing'}`;
	}
});
