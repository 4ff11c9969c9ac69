import { body, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import type { JobFile } from '$lib/schema/job-file';
import { takeTurn } from '$lib/server/proof/turns';
import { knownSigners, proveFile } from '$lib/server/proof/verify';

/** What is to be said of a job file: chain, seals, whose they are. Nothing is kept; no account is needed. */
export const POST = endpoint(async (event) => {
	await takeTurn(event.getClientAddress());
	const file = await body<JobFile>(event);
	return proveFile(file, await knownSigners(db));
});
