import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { addLoading, type NewLoading } from '$lib/server/jobs/loadings';
import { loadingSchema } from '$lib/schema/job';

/** Adds a look at a loaded corner. The same id twice is one look. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	const input = await body<NewLoading>(event, loadingSchema);
	return json(await addLoading(db, event.params.id!, input, who.id), 201);
});
