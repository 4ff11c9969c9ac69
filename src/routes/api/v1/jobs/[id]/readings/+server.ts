import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { addReading, type NewReading } from '$lib/server/jobs/heights';
import { readingSchema } from '$lib/schema/job';

/** Adds a height reading, a correction or a withdrawal. The same id twice is one reading. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	return json(
		await addReading(db, event.params.id!, await body<NewReading>(event, readingSchema), who.id),
		201
	);
});
