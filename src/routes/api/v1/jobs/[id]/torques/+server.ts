import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { addTorque, type NewTorque } from '$lib/server/jobs/torques';
import { torqueSchema } from '$lib/schema/job';

/** Adds a torque, a correction or a withdrawal. The same id twice is one torque. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	return json(
		await addTorque(db, event.params.id!, await body<NewTorque>(event, torqueSchema), who.id),
		201
	);
});
