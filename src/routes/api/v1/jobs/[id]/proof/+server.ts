import { endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { readJob } from '$lib/server/jobs/book';
import { proveBook } from '$lib/server/proof/chain';
import { knownSigners, proveSeals } from '$lib/server/proof/verify';

/** Goes along the job's book, hash by hash. */
export const GET = endpoint(async ({ params }) => {
	const { record, entries } = await readJob(db, params.id!);
	const seals = proveSeals(record.id, entries, await knownSigners(db));
	return { ...proveBook(record), seals };
});
