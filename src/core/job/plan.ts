/** The plan of a job for pages: advice, and what was decided on it. */
import { perCorner } from '../height/corners.ts';
import { recommend, type RecommendInput, type Recommendation } from '../inspect/recommend.ts';
import type { WorkScope } from '../work/scope.ts';
import type { ShopCosts } from './costs.ts';
import type { JobRecord } from './record.ts';
import { viewJob } from './view.ts';
import { scopeSaid } from './scope.ts';
import { bouncesOf, findingsOf } from './findings.ts';
import { sagFinding, sagOf } from './sag.ts';
import type { DecisionState } from './kinds/decision/data.ts';
import { WorkBook } from './work-book.ts';

export interface AdviceLine extends Recommendation {
	state: DecisionState;
	reason: string;
}

/** Advice with what was decided on it; what was declined stays, though the advice has gone. */
export function jobAdvice(record: JobRecord, costs: ShopCosts): AdviceLine[] {
	const book = WorkBook.of(record);
	const scope = scopeSaid(record, book);
	return adviceOn(record, book, scope, costs).map((line): AdviceLine => {
		const { state = 'open', reason = '' } = book.get('decision', line.id) ?? {};
		return { ...line, state, reason };
	});
}

/** Advice on a job as its book stands. */
export function adviceOn(
	record: JobRecord,
	book: WorkBook,
	scope: WorkScope,
	costs: ShopCosts
): Recommendation[] {
	const view = viewJob(record);
	const deviation = perCorner((corner) => {
		const { before, target } = view.corners[corner];
		const known =
			before && target && !['before', 'other-side'].includes(target.source)
				? before.meanMm - target.heightMm
				: 0;
		return known;
	});
	const sag = sagOf(record, book, view);
	const input: RecommendInput = {
		layouts: scope.layouts,
		scope,
		findings: findingsOf(book),
		bounces: bouncesOf(book, 'before'),
		...(sag && sag.verdict !== 'sound' && { sag: sagFinding(sag) }),
		...(record.odometerKm !== null && { distanceKm: record.odometerKm }),
		deviationMm: deviation,
		shelf: {
			waitHours: costs.partWaitHours,
			waitPerHour: costs.waitPerHour,
			linkPrice: costs.linkPrice,
			returnLoss: costs.returnLoss,
			links: costs.links ?? [],
			modelYear: record.vehicle.modelYear
		}
	};
	return recommend(input);
}
