import { endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { readJob } from '$lib/server/jobs/book';
import { proveBook } from '$lib/server/proof/chain';

/** Goes along the job's book, hash by hash. */
export const GET = endpoint(async ({ params }) =>
	proveBook((await readJob(db, params.id!)).record)
);
