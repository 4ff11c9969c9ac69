import { endpoint, pageOf } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { dueRetorques } from '$lib/server/jobs/lists';

/** Cars whose wheel fasteners are still to be checked. */
export const GET = endpoint(async ({ url }) => {
	const { lines, more, all } = await dueRetorques(db, pageOf(url));
	return { due: lines, more, all };
});
