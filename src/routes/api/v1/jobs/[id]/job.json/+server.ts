import { download, endpoint } from '$lib/server/api/endpoint';
import { db, sealer } from '$lib/server/app';
import { sealedJobFile } from '$lib/server/exchange/job-file';
import { readJob } from '$lib/server/jobs/book';

/** The job as a file of the published format; another instance can import it. */
export const GET = endpoint(async ({ params }) => {
	const job = await readJob(db, params.id!);
	return download(
		JSON.stringify(await sealedJobFile(db, job, sealer), null, 2),
		`job-${job.name.number}.json`,
		'application/json'
	);
});
