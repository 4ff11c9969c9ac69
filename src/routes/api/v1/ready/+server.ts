import { endpoint, json } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { findShop } from '$lib/server/db/shop';

/** The database answers and holds a shop: requests can be served. */
export const GET = endpoint(async () => {
	const shop = await findShop(db).catch(() => undefined);
	return shop ? { status: 'ready' } : json({ status: 'not ready' }, 503);
});
