import { download, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { readingsCsv } from '$lib/server/exchange/csv';
import { readJob } from '$lib/server/jobs/book';

/** Every row of the record, as a table. */
export const GET = endpoint(async ({ params }) => {
	const { record: job } = await readJob(db, params.id!);
	return download(readingsCsv(job), `job-${job.number}-readings.csv`, 'text/csv');
});
