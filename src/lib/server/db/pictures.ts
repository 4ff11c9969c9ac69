import type { Database } from './pool.ts';

export async function findPicture(
	db: Database,
	jobId: string,
	photoId: string
): Promise<Buffer | undefined> {
	const row = await db.row('SELECT jpeg FROM pictures WHERE photo_id = ? AND job_id = ?', [
		photoId,
		jobId
	]);
	return row?.jpeg as Buffer | undefined;
}

/** Keeps a picture; the same photo twice is one. */
export async function insertPicture(
	db: Database,
	picture: { photoId: string; jobId: string; digest: string; jpeg: Buffer }
): Promise<void> {
	await db.run(
		`INSERT IGNORE INTO pictures (photo_id, job_id, digest, jpeg)
		 VALUES (:photoId, :jobId, :digest, :jpeg)`,
		picture
	);
}
