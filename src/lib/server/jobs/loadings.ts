import { cornerNames, type Corner } from '../../../core/height/corners.ts';
import type { LoadMethod } from '../../../core/procedure/facts.ts';
import type { Quantity } from '../../../core/units/parse.ts';
import type { Loading } from '../../../core/job/model.ts';
import { appendLoading, findLoading } from '../db/loadings.ts';
import type { Database } from '../db/pool.ts';
import { Problem, refuse } from '../problem.ts';
import { linkRow } from '../proof/chain.ts';
import { holdOpenJob } from './change.ts';
import { withUnit } from './heights.ts';

export interface NewLoading {
	id: string;
	corner: Corner;
	method: LoadMethod;
	hubToArch: Quantity;
	oppositeBefore?: Quantity;
	oppositeNow?: Quantity;
	takenAt: string;
}

/** Adds a look at a loaded corner. The same id twice is one look. */
export function addLoading(
	db: Database,
	jobId: string,
	input: NewLoading,
	personId: string,
	deviceReadingId: string | null = null
): Promise<Loading> {
	return db.transaction(async (tx) => {
		const job = await holdOpenJob(tx, jobId);
		const earlier = await findLoading(tx, input.id);
		if (earlier) {
			if (earlier.jobId !== jobId) throw new Problem(409, 'That reading belongs to another job.');
			return earlier.loading;
		}
		if (!job.corners.includes(input.corner)) {
			throw refuse(
				'corner',
				`${cornerNames[input.corner].toLowerCase()} is not worked on in this job`,
				input.corner
			);
		}
		const loading: Loading = {
			id: input.id,
			corner: input.corner,
			method: input.method,
			hubToArchMm: input.hubToArch.si,
			entered: withUnit(input.hubToArch),
			oppositeBeforeMm: input.oppositeBefore?.si ?? null,
			oppositeNowMm: input.oppositeNow?.si ?? null,
			deviceReadingId,
			personId,
			takenAt: input.takenAt
		};
		await appendLoading(tx, jobId, loading);
		await linkRow(tx, jobId, 'loading', loading.id);
		return loading;
	});
}
