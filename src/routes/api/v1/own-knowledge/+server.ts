import { body, download, endpoint, json, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { listShared, takeIn, type SharedOwn } from '$lib/server/db/shop-knowledge';
import { findShop } from '$lib/server/db/shop';

/** What jobs taught this shop, as a file that another shop takes in. */
export const GET = endpoint(async () => {
	const { name } = (await findShop(db))!;
	const file = {
		format: 'vane-set-own-knowledge',
		version: 1,
		shop: name,
		items: await listShared(db)
	};
	return download(
		`${JSON.stringify(file, null, '\t')}\n`,
		'own-knowledge.json',
		'application/json'
	);
});

/** Takes in such a file; what is known already stays as it is. */
export const POST = endpoint(async (event) => {
	const { id: personId } = lead(event);
	const { shop, items } = await body<{ shop: string; items: SharedOwn[] }>(event);
	const added = await db.transaction((tx) => takeIn(tx, items, { shop, personId }));
	return json({ added, known: items.length - added });
});
