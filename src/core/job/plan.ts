/** The plan of a job for pages: advice, what was decided on it, what becomes of old parts. */
import type { Axle } from '../height/corners.ts';
import { oldParts, type OldPart } from '../inspect/old-parts.ts';
import type { Recommendation } from '../inspect/recommend.ts';
import { axlePlans } from '../work/scope.ts';
import type { ShopCosts } from './costs.ts';
import type { JobRecord } from './record.ts';
import { viewJob } from './view.ts';
import { scopeSaid } from './scope.ts';
import { findingsOf } from './findings.ts';
import { adviceOn } from './work.ts';
import type { DecisionState } from './kinds/decision/data.ts';
import { WorkBook } from './work-book.ts';

export interface AdviceLine extends Recommendation {
	state: DecisionState;
	reason: string;
}

/** Advice with what was decided on it; what was declined stays, though the advice has gone. */
export function jobAdvice(record: JobRecord, costs: ShopCosts): AdviceLine[] {
	const book = new WorkBook(record.entries);
	const scope = scopeSaid(record, book);
	return adviceOn(record, viewJob(record), { book, scope }, costs).map((line): AdviceLine => {
		const { state = 'open', reason = '' } = book.get('decision', line.id) ?? {};
		return { ...line, state, reason };
	});
}

/** What becomes of an axle's old units if they are rebuilt, whichever way is chosen now. */
export function oldPartsOf(record: JobRecord, axle: Axle, costs: ShopCosts): OldPart[] {
	const book = new WorkBook(record.entries);
	const now = scopeSaid(record, book);
	const scope = { ...now, strategy: { ...now.strategy, assembly: 'rebuild' as const } };
	const plan = axlePlans(scope).find((one) => one.axle === axle);
	if (!plan) return [];
	const lines = adviceOn(record, viewJob(record), { book, scope }, costs).map((line) => ({
		...line,
		declined: book.get('decision', line.id)?.state === 'declined'
	}));
	return oldParts(plan, findingsOf(book), lines);
}

/** What the customer did not want, as it was put to them. */
export const declinedWork = (record: JobRecord): { title: string; reason: string }[] =>
	new WorkBook(record.entries)
		.of('decision')
		.filter(({ data }) => data.state === 'declined')
		.map(({ data: { title, reason } }) => ({ title, reason }));
