import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { addPhoto, type NewPhoto } from '$lib/server/jobs/photos';
import { announce } from '$lib/server/live';

/** Keeps a photo with the job, made small and rid of what the camera wrote into it. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	const { device, ...input } = await body<NewPhoto & { device?: string }>(event);
	const { entries } = await addPhoto(db, event.params.id!, input, { person: who, device });
	announce(event.params.id!, entries);
	return json({ entries }, 201);
});
