import { body, endpoint, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { updateShop, type Shop } from '$lib/server/db/shop';
import { Problem } from '$core/problem';

/** Changes the shop's name, units and limits. Leads only. */
export const PUT = endpoint(async (event) => {
	lead(event);
	const shop = await body<Partial<Shop> & { version: number }>(event);
	if (!(await updateShop(db, { ...event.locals.shop!, ...shop }))) {
		throw new Problem(409, 'Someone else changed these settings meanwhile. Reload and look.');
	}
	return { version: shop.version + 1 };
});
