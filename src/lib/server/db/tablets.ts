import type { Database } from './pool.ts';

/** Not seen for so long, a tablet is a stranger again; no browser keeps its mark longer either. */
export const tabletDays = 400;

/** Whether this is the mark of a tablet of the shop. */
export async function isKnownTablet(db: Database, tokenHash: Buffer): Promise<boolean> {
	return (
		(await db.row('SELECT 1 FROM known_tablets WHERE token_hash = ?', [tokenHash])) !== undefined
	);
}

/** Somebody has signed in there. */
export async function keepTablet(db: Database, tokenHash: Buffer): Promise<void> {
	await db.run('DELETE FROM known_tablets WHERE seen_at < UTC_TIMESTAMP(3) - INTERVAL ? DAY', [
		tabletDays
	]);
	await db.run(
		`INSERT INTO known_tablets (token_hash, seen_at) VALUES (?, UTC_TIMESTAMP(3))
		 ON DUPLICATE KEY UPDATE seen_at = VALUES(seen_at)`,
		[tokenHash]
	);
}
