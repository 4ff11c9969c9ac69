import { endpoint, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { findJob } from '$lib/server/db/jobs';
import { changesOf } from '$lib/server/live';
import { notFound } from '$core/problem';

/** Server-sent events: one for each change of the job. */
export const GET = endpoint(async (event) => {
	const id = event.params.id!;
	const who = person(event);
	if (!(await findJob(db, id))) throw notFound('job');
	return new Response(changesOf(id, who.id), {
		headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' }
	});
});
