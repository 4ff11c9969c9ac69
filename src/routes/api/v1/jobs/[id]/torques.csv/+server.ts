import { download, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { torquesCsv } from '$lib/server/exchange/csv';
import { readJob } from '$lib/server/jobs/book';

/** Every row of the record, as a table. */
export const GET = endpoint(async ({ params }) => {
	const { record: job } = await readJob(db, params.id!);
	return download(torquesCsv(job), `job-${job.number}-torques.csv`, 'text/csv');
});
