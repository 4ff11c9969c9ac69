import { body, endpoint, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { setConditions, type ConditionsInput } from '$lib/server/jobs/heights';
import { notFound } from '$lib/server/problem';
import { heightSetSchema } from '$lib/schema/job';

/** Records how the car stood and what the tape resolves. */
export const PUT = endpoint(async (event) => {
	const who = person(event);
	const { id, phase } = event.params;
	if (phase !== 'before' && phase !== 'after') throw notFound('phase: before or after');
	return setConditions(db, id!, phase, await body<ConditionsInput>(event, heightSetSchema), who.id);
});
