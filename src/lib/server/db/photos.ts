import type { Photo } from '../../../core/job/work-book.ts';
import type { Database, Row } from './pool.ts';

/** Everything of a photo but the picture. */
const columns =
	'id, job_id, corner, subject, note, width, height, withdrawn, person_id, taken_at, created_at';

function toPhoto(row: Row): Photo {
	return {
		id: row.id as string,
		corner: row.corner as Photo['corner'],
		subject: row.subject as string,
		note: row.note as string,
		width: row.width as number,
		height: row.height as number,
		withdrawn: Boolean(row.withdrawn),
		personId: row.person_id as string,
		takenAt: (row.taken_at as Date).toISOString()
	};
}

export async function listPhotos(db: Database, jobId: string): Promise<Photo[]> {
	const rows = await db.rows(
		`SELECT ${columns} FROM photos WHERE job_id = ? ORDER BY created_at, id`,
		[jobId]
	);
	return rows.map(toPhoto);
}

export async function findPhoto(
	db: Database,
	id: string
): Promise<{ jobId: string; photo: Photo } | undefined> {
	const row = await db.row(`SELECT ${columns} FROM photos WHERE id = ?`, [id]);
	return row && { jobId: row.job_id as string, photo: toPhoto(row) };
}

export async function findPicture(
	db: Database,
	jobId: string,
	id: string
): Promise<Buffer | undefined> {
	const row = await db.row('SELECT jpeg FROM photos WHERE id = ? AND job_id = ?', [id, jobId]);
	return row?.jpeg as Buffer | undefined;
}

export async function insertPhoto(
	db: Database,
	jobId: string,
	photo: Photo,
	jpeg: Buffer
): Promise<void> {
	await db.run(
		`INSERT INTO photos
		   (id, job_id, corner, subject, note, width, height, jpeg, withdrawn, person_id, taken_at)
		 VALUES
		   (:id, :jobId, :corner, :subject, :note, :width, :height, :jpeg, :withdrawn, :personId, :takenAt)`,
		{ ...photo, jobId, jpeg, takenAt: new Date(photo.takenAt) }
	);
}

export async function withdrawPhoto(db: Database, id: string, withdrawn: boolean): Promise<void> {
	await db.run('UPDATE photos SET withdrawn = ? WHERE id = ?', [withdrawn, id]);
}
