import { body, endpoint, json, pageOf, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { searchJobs } from '$lib/server/jobs/lists';
import { openJob, type NewJob } from '$lib/server/jobs/open';

/** Jobs that match ?search=, open ones first, ?page= by page. */
export const GET = endpoint(async ({ url }) => {
	const page = pageOf(url);
	const { open, signed, more } = await searchJobs(db, {
		search: url.searchParams.get('search') ?? '',
		page
	});
	return { jobs: [...(page === 0 ? open : []), ...signed], more };
});

export const POST = endpoint(async (event) => {
	const who = person(event);
	const { device, ...input } = await body<NewJob & { device?: string }>(event);
	const id = await openJob(db, input, who, { device });
	return json({ id }, 201);
});
