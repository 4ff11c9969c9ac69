import { endpoint, person } from '$lib/server/api/endpoint';
import { db, threads } from '$lib/server/app';
import { readJob } from '$lib/server/jobs/book';
import { knownSigners } from '$lib/server/proof/signers';

/** Goes along the job's book, hash by hash. */
export const GET = endpoint(async (event) => {
	const { name, entries } = await readJob(db, event.params.id!);
	const input = { name, entries: [...entries], signers: await knownSigners(db) };
	return threads.run('proveJob', input, { who: person(event).id, signal: event.request.signal });
});
