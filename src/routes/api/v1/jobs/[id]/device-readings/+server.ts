import { endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { listReadingsOf } from '$lib/server/db/devices';
import { findJob } from '$lib/server/db/jobs';
import { notFound } from '$core/problem';

/** What devices sent for this job, newest first, and what nobody has placed yet. */
export const GET = endpoint(async ({ params }) => {
	if (!(await findJob(db, params.id!))) throw notFound('job');
	return { readings: await listReadingsOf(db, params.id!, 30) };
});
