import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { addJoint, type NewJoint } from '$lib/server/jobs/joints';
import { newJointSchema } from '$lib/schema/job';

/** Adds a joint that the layout does not list. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	return json(
		await addJoint(db, event.params.id!, await body<NewJoint>(event, newJointSchema), who.id),
		201
	);
});
