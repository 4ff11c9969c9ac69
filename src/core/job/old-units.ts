/** What becomes of the old units of a job's car. */
import type { Axle } from '../height/corners.ts';
import { oldParts, type OldPart } from '../inspect/old-parts.ts';
import { axlePlans } from '../work/scope.ts';
import type { ShopCosts } from './costs.ts';
import { findingsOf } from './findings.ts';
import { adviceOn } from './plan.ts';
import type { JobRecord } from './record.ts';
import { scopeSaid } from './scope.ts';
import { WorkBook } from './work-book.ts';

/** What becomes of an axle's old units if they are rebuilt, whichever way is chosen now. */
export function oldPartsOf(record: JobRecord, axle: Axle, costs: ShopCosts): OldPart[] {
	const book = WorkBook.of(record);
	const now = scopeSaid(record, book);
	const scope = { ...now, strategy: { ...now.strategy, assembly: 'rebuild' as const } };
	const plan = axlePlans(scope).find((one) => one.axle === axle);
	if (!plan) return [];
	const lines = adviceOn(record, book, scope, costs).map((line) => ({
		...line,
		declined: book.get('decision', line.id)?.state === 'declined'
	}));
	return oldParts(plan, findingsOf(book), lines);
}
