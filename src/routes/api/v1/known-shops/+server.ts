import { body, endpoint, json, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { listKnownShops, putKnownShop } from '$lib/server/db/seals';
import { keyIdOf } from '$lib/server/proof/keys';

/** Other shops whose seals are known here. */
export const GET = endpoint(async () => ({ shops: await listKnownShops(db) }));

/** Takes in another shop's key: from then on its files are verified. */
export const POST = endpoint(async (event) => {
	const { id: addedBy } = lead(event);
	const { name, publicKey } = await body<{ name: string; publicKey: string }>(event);
	const keyId = keyIdOf(publicKey);
	await putKnownShop(db, { keyId, publicKey, name, addedBy });
	return json({ keyId }, 201);
});
