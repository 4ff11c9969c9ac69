import { download, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { partsCsv } from '$lib/server/exchange/csv';
import { loadJob } from '$lib/server/jobs/load';

/** What has to be bought for the job, and how far it is. */
export const GET = endpoint(async ({ params, locals }) => {
	const job = await loadJob(db, params.id!);
	return download(partsCsv(job, locals.shop!.costs), `job-${job.number}-parts.csv`, 'text/csv');
});
