import { body, endpoint, json, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { createPerson } from '$lib/server/people';

/** Adds a person who can sign in. Leads only. */
export const POST = endpoint(async (event) => {
	lead(event);
	const input = await body<Parameters<typeof createPerson>[1]>(event);
	await createPerson(db, input);
	return json({ id: input.id }, 201);
});
