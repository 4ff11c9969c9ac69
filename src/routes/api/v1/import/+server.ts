import { endpoint, json, jsonOf, person, read } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { importJob } from '$lib/server/exchange/job-file';
import type { FirstJobFile, JobFile } from '$lib/schema/job-file';
import { firstJobFileSchema } from '$lib/schema/first-job-file';
import { isFirstFormat } from '$lib/schema/job-file';

/** Recreates a job from its file, also of the first format. 201 when it is new here, 200 when it was here already. */
export const POST = endpoint(async (event) => {
	const by = person(event);
	const given = await jsonOf(event);
	const file = isFirstFormat(given)
		? read<FirstJobFile>(given, event, firstJobFileSchema)
		: read<JobFile>(given, event);
	const outcome = await importJob(db, file, by);
	return json(outcome, outcome.created ? 201 : 200);
});
