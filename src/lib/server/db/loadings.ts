import type { Loading } from '../../../core/job/model.ts';
import type { Database, Row } from './pool.ts';

function toLoading(row: Row): Loading {
	return {
		id: row.id as string,
		corner: row.corner as Loading['corner'],
		method: row.method as Loading['method'],
		hubToArchMm: row.hub_to_arch_mm as number,
		entered: row.entered as string,
		oppositeBeforeMm: row.opposite_before_mm as number | null,
		oppositeNowMm: row.opposite_now_mm as number | null,
		deviceReadingId: row.device_reading_id as string | null,
		personId: row.person_id as string,
		takenAt: (row.taken_at as Date).toISOString()
	};
}

export async function listLoadings(db: Database, jobId: string): Promise<Loading[]> {
	return (await db.rows('SELECT * FROM loadings WHERE job_id = ? ORDER BY seq', [jobId])).map(
		toLoading
	);
}

/** Whose job a loading is on, and the loading; for a retry. */
export async function findLoading(
	db: Database,
	id: string
): Promise<{ jobId: string; loading: Loading } | undefined> {
	const row = await db.row('SELECT * FROM loadings WHERE id = ?', [id]);
	return row && { jobId: row.job_id as string, loading: toLoading(row) };
}

/** Adds a look at the end of the job's record; the caller holds the job's lock. */
export async function appendLoading(db: Database, jobId: string, loading: Loading): Promise<void> {
	await db.run(
		`INSERT INTO loadings
		   (id, job_id, seq, corner, method, hub_to_arch_mm, entered, opposite_before_mm, opposite_now_mm,
		    device_reading_id, person_id, taken_at)
		 SELECT :id, :jobId, COALESCE(MAX(seq), 0) + 1, :corner, :method, :hubToArchMm, :entered,
		        :oppositeBeforeMm, :oppositeNowMm, :deviceReadingId, :personId, :takenAt
		   FROM loadings WHERE job_id = :jobId`,
		{ ...loading, jobId, takenAt: new Date(loading.takenAt) }
	);
}
