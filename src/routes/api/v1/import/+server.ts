import { endpoint, json, person, textOf } from '$lib/server/api/endpoint';
import { db, threads } from '$lib/server/app';
import { importJob } from '$lib/server/exchange/job-file';

/** Recreates a job from its file, also of the first format. 201 when it is new here, 200 when it was here already. */
export const POST = endpoint(async (event) => {
	const by = person(event);
	const asker = { who: by.id, signal: event.request.signal };
	const text = await textOf(event);
	const file = await threads.run('readFile', { text, now: Date.now() }, asker);
	const outcome = await importJob(db, file, by, (whole, signers) =>
		threads.run('proveJobFile', { file: whole, signers }, asker)
	);
	return json(outcome, outcome.created ? 201 : 200);
});
