import { body, endpoint, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { changeWrench, type WrenchInput } from '$lib/server/rack';

/** Changes a wrench, or retires it. Leads only. */
export const PUT = endpoint(async (event) => {
	lead(event);
	const input = await body<Omit<WrenchInput, 'id'> & { version: number }>(event);
	return changeWrench(db, event.params.id!, input);
});
