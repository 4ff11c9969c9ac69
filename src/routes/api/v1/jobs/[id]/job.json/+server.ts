import { download, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { toJobFile } from '$lib/server/exchange/job-file';
import { readJob } from '$lib/server/jobs/book';

/** The job as a file of the published format; another instance can import it. */
export const GET = endpoint(async ({ params }) => {
	const job = await readJob(db, params.id!);
	return download(
		JSON.stringify(toJobFile(job), null, 2),
		`job-${job.name.number}.json`,
		'application/json'
	);
});
