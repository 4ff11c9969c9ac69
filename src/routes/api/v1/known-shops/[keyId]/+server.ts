import { endpoint, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { deleteKnownShop } from '$lib/server/db/seals';
import { notFound } from '$core/problem';

/** A shop whose seals are no longer believed. */
export const DELETE = endpoint(async (event) => {
	lead(event);
	if (!(await deleteKnownShop(db, event.params.keyId!))) throw notFound('shop');
	return new Response(null, { status: 204 });
});
