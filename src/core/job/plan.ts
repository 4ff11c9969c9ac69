/** The plan of a job for pages and files: advice taken, parts with how far they are. */
import { fittingSteps, partLines, type PartLine } from '../bench/parts.ts';
import type { Axle } from '../height/corners.ts';
import { oldParts, type OldPart } from '../inspect/old-parts.ts';
import type { Recommendation } from '../inspect/recommend.ts';
import { axlePlans } from '../work/scope.ts';
import type { WorkStep } from '../work/step.ts';
import { workSteps } from '../work/steps.ts';
import type { ShopCosts } from './costs.ts';
import type { JobRecord } from './record.ts';
import { viewJob } from './view.ts';
import { scopeOf } from './scope.ts';
import { adviceOn, findingsOf } from './work.ts';
import type { DecisionState } from './kinds/decision/data.ts';
import type { Data as PartData, PartStatus } from './kinds/part/data.ts';
import { WorkBook } from './work-book.ts';

export interface AdviceLine extends Recommendation {
	state: DecisionState;
	reason: string;
}

/** Advice with what was decided on it; what was declined stays, though the advice has gone. */
export function jobAdvice(record: JobRecord, costs: ShopCosts): AdviceLine[] {
	const book = new WorkBook(record.entries);
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
	const book = new WorkBook(record.entries);
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
	new WorkBook(record.entries)
		.of('decision')
		.filter(({ data }) => data.state === 'declined')
		.map(({ data: { title, reason } }) => ({ title, reason }));

export interface JobPart extends PartLine {
	kept: PartData;
	/** As kept; fitted once the steps that put it in were ticked off, unless it went back. */
	status: PartStatus;
}

const unordered: PartData = { number: '', status: 'to-order', note: '' };

export function jobParts(record: JobRecord, costs: ShopCosts): JobPart[] {
	const book = new WorkBook(record.entries);
	const scope = scopeOf(record, book);
	const accepted = jobAdvice(record, costs).filter(({ state }) => state === 'accepted');
	const steps = workSteps(scope);
	const ticked = ({ id }: WorkStep) => book.get('step', id)?.state === 'done';
	return partLines(scope, accepted).map((line) => {
		const kept = book.get('part', line.id) ?? unordered;
		const putIn = fittingSteps(line, steps);
		const fitted = kept.status !== 'returned' && putIn.length > 0 && putIn.every(ticked);
		return { ...line, kept, status: fitted ? 'fitted' : kept.status };
	});
}
