import { body, endpoint, json, makerOf } from '$lib/server/api/endpoint';
import { db, shrink } from '$lib/server/app';
import { addPhoto, type SentPhoto } from '$lib/server/jobs/photos';
import { announce } from '$lib/server/live';

/** Keeps a photo with the job, made small and rid of what the camera wrote into it. */
export const POST = endpoint(async (event) => {
	const { device, personId, vouched, ...input } = await body<SentPhoto>(event);
	const maker = await makerOf(event, { personId, vouched });
	const { entries } = await addPhoto(db, event.params.id!, input, { ...maker, device }, shrink);
	announce(event.params.id!, entries);
	return json({ entries }, 201);
});
