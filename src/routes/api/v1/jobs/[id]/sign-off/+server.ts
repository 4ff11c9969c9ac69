import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { signOff, type SignOffInput } from '$lib/server/jobs/sign-off';
import { signOffSchema } from '$lib/schema/job';

/** Signs the job; 409 with the list while anything is owed, unless a lead gives a reason. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	const input = await body<SignOffInput>(event, signOffSchema);
	return json(await signOff(db, event.params.id!, input, who, new Date()), 201);
});
