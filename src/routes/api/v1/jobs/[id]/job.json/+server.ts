import { download, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { toJobFile } from '$lib/server/exchange/job-file';
import { loadJob } from '$lib/server/jobs/load';

/** The job as a file of the published format; another instance can import it. */
export const GET = endpoint(async ({ params }) => {
	const job = await loadJob(db, params.id!);
	return download(
		JSON.stringify(toJobFile(job), null, 2),
		`job-${job.number}.json`,
		'application/json'
	);
});
