import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { changePhoto, picture } from '$lib/server/jobs/photos';
import { photoChangeSchema } from '$lib/schema/work';

/** The picture; it never changes under its id. */
export const GET = endpoint(async (event) => {
	const jpeg = await picture(db, event.params.id!, event.params.photo!);
	return new Response(new Uint8Array(jpeg), {
		headers: {
			'content-type': 'image/jpeg',
			'cache-control': 'private, max-age=31536000, immutable'
		}
	});
});

/** Takes a photo out of sight, or back. */
export const PATCH = endpoint(async (event) => {
	person(event);
	const { withdrawn } = await body<{ withdrawn: boolean }>(event, photoChangeSchema);
	return json(await changePhoto(db, event.params.id!, event.params.photo!, withdrawn));
});
