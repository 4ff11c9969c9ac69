import { download, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { torquesCsv } from '$lib/server/exchange/csv';
import { loadJob } from '$lib/server/jobs/load';

/** Every row of the record, as a table. */
export const GET = endpoint(async ({ params }) => {
	const job = await loadJob(db, params.id!);
	return download(torquesCsv(job), `job-${job.number}-torques.csv`, 'text/csv');
});
