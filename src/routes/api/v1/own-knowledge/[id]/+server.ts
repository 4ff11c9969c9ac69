import { endpoint, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { dropShared } from '$lib/server/db/shop-knowledge';
import { notFound } from '$core/problem';

/** Something that another shop shared is offered no longer. */
export const DELETE = endpoint(async (event) => {
	lead(event);
	if (!(await dropShared(db, event.params.id!))) throw notFound('piece of shared knowledge');
	return new Response(null, { status: 204 });
});
