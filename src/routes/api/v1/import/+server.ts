import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { importJob, type JobFile } from '$lib/server/exchange/job-file';
import { jobFileSchema } from '$lib/schema/job-file';

/** Recreates a job from its file. 201 when it is new here, 200 when it was here already. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	const outcome = await importJob(db, await body<JobFile>(event, jobFileSchema), who.id);
	return json(outcome, outcome.created ? 201 : 200);
});
