import { Problem, refuse } from '../../../problem.ts';
import { workSteps } from '../../../work/assembly-steps.ts';
import { edgesOf } from '../../../work/needs.ts';
import { isOfCar } from '../../../work/shop-knowledge.ts';
import { ownFault } from '../../../work/shop-knowledge-fault.ts';
import type { Draft, Site } from '../../book/kind.ts';
import { layoutsOf, scopeOf } from '../../scope.ts';
import { WorkBook } from '../../work-book.ts';
import { planFollows } from '../plan.ts';
import type { Data } from './data.ts';

/** Held where it has its place; what other jobs taught is corrected by leads alone. */
export function decideOwn(site: Site<Data>): Draft[] {
	const { record, command, said, context } = site;
	const { subject } = command;
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
	const scope = { ...scopeOf(record, WorkBook.of(record)), own: [] };
	const steps = workSteps(scope);
	const layouts = layoutsOf(record);
	const fault = said.removed ? undefined : ownFault(said, steps, edgesOf(steps, scope), layouts);
	if (fault) throw refuse(fault.field, fault.words, said[fault.field]);
	const kept: Draft = { kind: 'own', subject, data: said };
	return isOfCar(said) ? planFollows(site, kept) : [kept];
}
