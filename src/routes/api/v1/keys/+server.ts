import { endpoint } from '$lib/server/api/endpoint';
import { db, sealer } from '$lib/server/app';
import { listSealKeys } from '$lib/server/db/seals';
import { findShop } from '$lib/server/db/shop';
import { signingKey } from '$lib/server/proof/keys';

/** The public keys that this shop has sealed with, the one in use first; for anybody who checks a seal. */
export const GET = endpoint(async () => {
	await signingKey(db, sealer.folder);
	return { shop: (await findShop(db))?.name ?? '', keys: await listSealKeys(db) };
});
