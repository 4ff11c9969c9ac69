import { endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { readJob } from '$lib/server/jobs/book';

/** A job as its book comes to; the book itself is at entries. */
export const GET = endpoint(async ({ params }) => {
	const { entries: _, ...record } = (await readJob(db, params.id!)).record;
	return record;
});
