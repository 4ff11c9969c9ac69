import type { ChainLink } from '../../job/model.ts';
import type { Database } from './pool.ts';

export async function listLinks(db: Database, jobId: string): Promise<ChainLink[]> {
	const rows = await db.rows('SELECT * FROM record_chain WHERE job_id = ? ORDER BY seq', [jobId]);
	return rows.map((row) => ({
		seq: row.seq as number,
		kind: row.kind as ChainLink['kind'],
		id: row.row_id as string,
		hash: row.hash as string
	}));
}

/** Adds a link; the caller holds the job's lock. */
export async function insertLink(db: Database, jobId: string, link: ChainLink): Promise<void> {
	await db.run(
		'INSERT INTO record_chain (job_id, seq, kind, row_id, hash) VALUES (:jobId, :seq, :kind, :id, :hash)',
		{ ...link, jobId }
	);
}
