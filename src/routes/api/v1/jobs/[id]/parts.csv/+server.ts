import { download, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { partsCsv } from '$lib/server/exchange/csv';
import { readJob } from '$lib/server/jobs/book';

/** What has to be bought for the job, and how far it is. */
export const GET = endpoint(async ({ params }) => {
	const job = await readJob(db, params.id!);
	return download(partsCsv(job), `job-${job.name.number}-parts.csv`, 'text/csv');
});
