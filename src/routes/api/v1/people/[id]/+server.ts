import { body, endpoint, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { endStreams } from '$lib/server/live';
import { changePerson } from '$lib/server/people';

/** Changes a person, gives a new PIN, or takes the key away. Leads only. */
export const PATCH = endpoint(async (event) => {
	lead(event);
	const change = await body<Parameters<typeof changePerson>[2]>(event);
	const { id, name, role, active } = await changePerson(db, event.params.id!, change);
	// As whoever they are now, where they still may: their pages connect anew.
	endStreams(id);
	return { id, name, role, active };
});
