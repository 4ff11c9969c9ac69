import { body, endpoint, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { changeHead, type JobChangeInput } from '$lib/server/jobs/head';
import { loadJob } from '$lib/server/jobs/load';
import { jobChangeSchema } from '$lib/schema/job';

/** The whole record of a job. */
export const GET = endpoint(({ params }) => loadJob(db, params.id!));

/** Changes the job's head: complaint, odometer, corners, technician, school of height. */
export const PATCH = endpoint(async (event) => {
	const who = person(event);
	return changeHead(
		db,
		event.params.id!,
		await body<JobChangeInput>(event, jobChangeSchema),
		who.id
	);
});
