import type { Database } from './pool.ts';

export async function insertSession(
	db: Database,
	session: { tokenHash: Buffer; personId: string; expiresAt: Date }
): Promise<void> {
	await db.run('DELETE FROM sessions WHERE expires_at < UTC_TIMESTAMP(3)');
	await db.run(
		'INSERT INTO sessions (token_hash, person_id, expires_at) VALUES (:tokenHash, :personId, :expiresAt)',
		session
	);
}

/** Whose session this is, while it is valid and the person is active. */
export async function findSessionPerson(
	db: Database,
	tokenHash: Buffer
): Promise<string | undefined> {
	const row = await db.row(
		`SELECT p.id FROM sessions s JOIN people p ON p.id = s.person_id
		  WHERE s.token_hash = ? AND s.expires_at > UTC_TIMESTAMP(3) AND p.active`,
		[tokenHash]
	);
	return row?.id as string | undefined;
}

export async function deleteSession(db: Database, tokenHash: Buffer): Promise<void> {
	await db.run('DELETE FROM sessions WHERE token_hash = ?', [tokenHash]);
}

export async function deleteSessionsOf(db: Database, personId: string): Promise<void> {
	await db.run('DELETE FROM sessions WHERE person_id = ?', [personId]);
}
