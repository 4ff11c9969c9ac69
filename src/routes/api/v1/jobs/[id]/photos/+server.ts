import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { addPhoto, type NewPhoto } from '$lib/server/jobs/photos';
import { photoSchema } from '$lib/schema/work';

/** Keeps a photo with the job, made small and rid of what the camera wrote into it. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	const input = await body<NewPhoto>(event, photoSchema);
	return json(await addPhoto(db, event.params.id!, input, who.id), 201);
});
