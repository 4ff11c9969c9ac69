import { listKnownShops, listSealKeys } from '../db/seals.ts';
import { findShop } from '../db/shop.ts';
import type { Database } from '../db/pool.ts';
import type { Signer, Signers } from './verify.ts';

/** Everybody whose seals are known here: this shop with all its keys, and the shops a lead has entered. */
export async function knownSigners(db: Database): Promise<Signers> {
	const [shop, own, others] = [
		await findShop(db),
		await listSealKeys(db),
		await listKnownShops(db)
	];
	return new Map([
		...others.map((one): [string, Signer] => [one.keyId, { ...one, own: false }]),
		...own.map(({ keyId, publicKey }): [string, Signer] => [
			keyId,
			{ keyId, publicKey, name: shop?.name ?? 'this shop', own: true }
		])
	]);
}
