import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { setTarget, type TargetInput } from '$lib/server/jobs/heights';
import { targetSchema } from '$lib/schema/job';

/** Chooses the target height of a corner, or with null goes back to the default. */
export const PUT = endpoint(async (event) => {
	const who = person(event);
	return json(
		await setTarget(db, event.params.id!, await body<TargetInput>(event, targetSchema), who.id),
		200
	);
});
