import { Problem, refuse } from '../../../problem.ts';
import { workSteps } from '../../../work/assembly-steps.ts';
import { edgesOf } from '../../../work/needs.ts';
import { ownFault, ownNames } from '../../../work/own.ts';
import { defineKind } from '../../book/kind.ts';
import { scopeOf } from '../../scope.ts';
import { WorkBook } from '../../work-book.ts';

/** What this job taught: a step, a note, a socket, a count; kept for the next car of its kind if somebody says so. */
export const own = defineKind<'own'>({
	kind: 'own',
	name: 'Own knowledge',
	counts: 'last',
	saidAsKept: true,
	decide({ record, command: { subject }, said, context }) {
		const before = record.entries.findLast(
			(entry) => entry.kind === 'own' && entry.subject === subject
		)?.data as { of?: string } | undefined;
		const foreign = said.of !== undefined || before?.of !== undefined;
		if (foreign && said.for !== 'job' && context.who.role !== 'lead') {
			throw new Problem(403, 'Only a lead corrects what other jobs taught.');
		}
		if (said.for === 'model' && !record.vehicle.model) {
			throw refuse('for', 'this car has no model yet: write it down first', said.for);
		}
		if (said.for === 'layout' && said.where === 'car') {
			throw refuse('where', 'is an axle for what holds for a layout', said.where);
		}
		const scope = { ...scopeOf(record, new WorkBook(record.entries)), own: [] };
		const steps = workSteps(scope);
		const fault = said.removed ? undefined : ownFault(said, steps, edgesOf(steps, scope));
		if (fault) throw refuse(fault.field, fault.words, said[fault.field]);
		return [{ kind: 'own', subject, data: said }];
	},
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
				corrects: of !== undefined,
				scope: whom,
				layout: car.axles[axle].layout,
				own: removed ? null : said
			}
		];
	}
});
