import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { setOffset, type OffsetInput } from '$lib/server/jobs/heights';
import { offsetSchema } from '$lib/schema/job';

/** States how an axle’s readings become hub to arch. */
export const PUT = endpoint(async (event) => {
	const who = person(event);
	return json(
		await setOffset(db, event.params.id!, await body<OffsetInput>(event, offsetSchema), who.id),
		200
	);
});
