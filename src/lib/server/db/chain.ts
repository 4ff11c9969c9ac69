import type { ChainLink } from '../../../core/job/model.ts';
import type { Database, Row } from './pool.ts';

const toLink = (row: Row): ChainLink => ({
	seq: row.seq as number,
	kind: row.kind as ChainLink['kind'],
	id: row.row_id as string,
	hash: row.hash as string
});

export async function listLinks(db: Database, jobId: string): Promise<ChainLink[]> {
	return (await db.rows('SELECT * FROM record_chain WHERE job_id = ? ORDER BY seq', [jobId])).map(
		toLink
	);
}

/** The end of the chain; the caller holds the job's lock. */
export async function lastLink(db: Database, jobId: string): Promise<ChainLink | undefined> {
	const row = await db.row(
		'SELECT * FROM record_chain WHERE job_id = ? ORDER BY seq DESC LIMIT 1',
		[jobId]
	);
	return row && toLink(row);
}

/** Adds a link; the caller holds the job's lock. */
export async function insertLink(db: Database, jobId: string, link: ChainLink): Promise<void> {
	await db.run(
		'INSERT INTO record_chain (job_id, seq, kind, row_id, hash) VALUES (:jobId, :seq, :kind, :id, :hash)',
		{ ...link, jobId }
	);
}
