import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { addRetorque, type NewRetorque } from '$lib/server/jobs/retorques';
import { retorqueSchema } from '$lib/schema/job';

/** Records that the wheels of a signed job were checked. The same id twice is one check. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	return json(
		await addRetorque(db, event.params.id!, await body<NewRetorque>(event, retorqueSchema), who.id),
		201
	);
});
