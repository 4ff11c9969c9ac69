import { endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { picture } from '$lib/server/jobs/photos';

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
