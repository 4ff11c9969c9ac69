/** The plan of a job for pages and files: advice taken, parts with how far they are. */
import { partLines, type PartLine } from '../../core/bench/parts.ts';
import type { Axle } from '../../core/height/corners.ts';
import { oldParts, type OldPart } from '../../core/inspect/old-parts.ts';
import type { Recommendation } from '../../core/inspect/recommend.ts';
import { axlePlans } from '../../core/work/scope.ts';
import type { ShopCosts } from './costs.ts';
import type { JobRecord } from './model.ts';
import { viewJob } from './view.ts';
import { adviceOn, findingsOf, scopeOf } from './work.ts';
import { WorkBook, type DecisionState, type WorkData } from './work-book.ts';

export interface AdviceLine extends Recommendation {
	state: DecisionState;
	reason: string;
}

/** Advice with what was decided on it; what was declined stays, though the advice has gone. */
export function jobAdvice(record: JobRecord, costs: ShopCosts): AdviceLine[] {
	const book = new WorkBook(record.work);
	const scope = scopeOf(record, book);
	const lines = adviceOn(record, viewJob(record), { book, scope }, costs).map(
		(line): AdviceLine => {
			const { state = 'open', reason = '' } = book.get('decision', line.id) ?? {};
			return { ...line, state, reason };
		}
	);
	return lines;
}

/** What becomes of an axle's old units if they are rebuilt, whichever way is chosen now. */
export function oldPartsOf(record: JobRecord, axle: Axle, costs: ShopCosts): OldPart[] {
	const book = new WorkBook(record.work);
	const now = scopeOf(record, book);
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
	new WorkBook(record.work)
		.of('decision')
		.filter(({ data }) => data.state === 'declined')
		.map(({ data: { title, reason } }) => ({ title, reason }));

export interface JobPart extends PartLine {
	kept: WorkData['part'];
}

export function jobParts(record: JobRecord, costs: ShopCosts): JobPart[] {
	const book = new WorkBook(record.work);
	const accepted = jobAdvice(record, costs).filter(({ state }) => state === 'accepted');
	return partLines(scopeOf(record, book), accepted).map((line) => ({
		...line,
		kept: book.get('part', line.id) ?? { number: '', status: 'to-order', note: '' }
	}));
}
