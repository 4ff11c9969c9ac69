import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { createJob, type NewJob } from '$lib/server/jobs/head';
import { searchJobs } from '$lib/server/jobs/load';
import { newJobSchema } from '$lib/schema/job';

/** Jobs that match ?search=, open ones first. */
export const GET = endpoint(async ({ url }) => ({
	jobs: await searchJobs(db, { search: url.searchParams.get('search') ?? '' })
}));

export const POST = endpoint(async (event) => {
	const who = person(event);
	const id = await createJob(db, await body<NewJob>(event, newJobSchema), who.id, new Date());
	return json({ id }, 201);
});
