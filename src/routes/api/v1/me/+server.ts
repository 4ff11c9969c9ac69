import { body, endpoint, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { updatePreferences, type Person } from '$lib/server/db/people';

/** Changes one's own units and theme. */
export const PATCH = endpoint(async (event) => {
	const who = person(event);
	const change = await body<Partial<Pick<Person, 'units' | 'theme'>>>(event);
	const { units, theme } = { ...who, ...change };
	await updatePreferences(db, who.id, { units, theme });
	return { units, theme };
});
