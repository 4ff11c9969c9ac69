import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { addWork, type NewWork } from '$lib/server/jobs/work';
import { workEntrySchema } from '$lib/schema/work';

/** Adds an entry to the book of the work. The same id twice is one entry. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	const input = await body<NewWork>(event, workEntrySchema);
	return json(await addWork(db, event.params.id!, input, who), 201);
});
