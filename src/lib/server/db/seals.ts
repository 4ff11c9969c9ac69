import type { Sheet } from '../../../core/job/sheet/document.ts';
import type { Database, Row } from './pool.ts';

/** What anybody may know of a key that seals. */
export interface PublicKey {
	keyId: string;
	/** Ed25519 (RFC 8032), 32 bytes, base64url. */
	publicKey: string;
}

export interface SealKey extends PublicKey {
	madeAt: string;
	/** Null while it is the one in use. */
	retiredAt: string | null;
}

const time = (value: unknown) => (value === null ? null : (value as Date).toISOString());

const toSealKey = (row: Row): SealKey => ({
	keyId: row.key_id as string,
	publicKey: row.public_key as string,
	madeAt: time(row.made_at)!,
	retiredAt: time(row.retired_at)
});

/** Newest first. */
export async function listSealKeys(db: Database): Promise<SealKey[]> {
	return (await db.rows('SELECT * FROM seal_keys ORDER BY made_at DESC, key_id')).map(toSealKey);
}

/** A key that is known already is left as it is. */
export async function insertSealKey(db: Database, { keyId, publicKey }: PublicKey): Promise<void> {
	await db.run(
		'INSERT IGNORE INTO seal_keys (key_id, public_key, made_at) VALUES (?, ?, UTC_TIMESTAMP(3))',
		[keyId, publicKey]
	);
}

export async function retireSealKeys(db: Database, but: string): Promise<void> {
	await db.run(
		'UPDATE seal_keys SET retired_at = UTC_TIMESTAMP(3) WHERE key_id <> ? AND retired_at IS NULL',
		[but]
	);
}

/** Another shop, by the key it seals with. */
export interface KnownShop extends PublicKey {
	name: string;
	addedBy: string;
	addedAt: string;
}

export async function listKnownShops(db: Database): Promise<KnownShop[]> {
	const rows = await db.rows('SELECT * FROM known_shops ORDER BY name, added_at');
	return rows.map((row) => ({
		keyId: row.key_id as string,
		publicKey: row.public_key as string,
		name: row.name as string,
		addedBy: row.added_by as string,
		addedAt: time(row.added_at)!
	}));
}

export async function putKnownShop(db: Database, shop: Omit<KnownShop, 'addedAt'>): Promise<void> {
	await db.run(
		`INSERT INTO known_shops (key_id, public_key, name, added_by, added_at)
		 VALUES (:keyId, :publicKey, :name, :addedBy, UTC_TIMESTAMP(3))
		 ON DUPLICATE KEY UPDATE name = VALUES(name)`,
		shop
	);
}

export async function deleteKnownShop(db: Database, keyId: string): Promise<boolean> {
	return (await db.run('DELETE FROM known_shops WHERE key_id = ?', [keyId])) > 0;
}

export interface KeptSheet {
	/** Number of the signature it was drawn at. */
	seq: number;
	sheet: Sheet;
	pdf: Buffer;
}

export async function insertSheet(db: Database, jobId: string, kept: KeptSheet): Promise<void> {
	await db.run('INSERT INTO sheets (job_id, seq, sheet, pdf) VALUES (?, ?, ?, ?)', [
		jobId,
		kept.seq,
		JSON.stringify(kept.sheet),
		kept.pdf
	]);
}

/** Oldest first. */
export async function listSheets(db: Database, jobId: string): Promise<KeptSheet[]> {
	const rows = await db.rows('SELECT * FROM sheets WHERE job_id = ? ORDER BY seq', [jobId]);
	return rows.map(toSheet);
}

export async function findSheet(
	db: Database,
	jobId: string,
	seq: number
): Promise<KeptSheet | undefined> {
	const row = await db.row('SELECT * FROM sheets WHERE job_id = ? AND seq = ?', [jobId, seq]);
	return row && toSheet(row);
}

const toSheet = (row: Row): KeptSheet => ({
	seq: row.seq as number,
	sheet: JSON.parse(row.sheet as string) as Sheet,
	pdf: row.pdf as Buffer
});
