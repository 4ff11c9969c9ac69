import type { WorkEntry, WorkKind } from '../../../core/job/work-book.ts';
import type { RecordedStep } from '../../../core/work/minutes.ts';
import type { StepKind } from '../../../core/work/kinds.ts';
import type { Database, Row } from './pool.ts';

function toEntry(row: Row): WorkEntry {
	return {
		id: row.id as string,
		kind: row.kind as WorkKind,
		subject: row.subject as string,
		data: JSON.parse(row.data as string),
		personId: row.person_id as string,
		takenAt: (row.taken_at as Date).toISOString()
	} as WorkEntry;
}

export async function listWork(db: Database, jobId: string): Promise<WorkEntry[]> {
	return (await db.rows('SELECT * FROM work_entries WHERE job_id = ? ORDER BY seq', [jobId])).map(
		toEntry
	);
}

/** Whose job an entry is on, and the entry; for a retry. */
export async function findWork(
	db: Database,
	id: string
): Promise<{ jobId: string; entry: WorkEntry } | undefined> {
	const row = await db.row('SELECT * FROM work_entries WHERE id = ?', [id]);
	return row && { jobId: row.job_id as string, entry: toEntry(row) };
}

/** Adds an entry at the end of the job's book; the caller holds the job's lock. */
export async function appendWork(db: Database, jobId: string, entry: WorkEntry): Promise<void> {
	await db.run(
		`INSERT INTO work_entries (id, job_id, seq, kind, subject, data, person_id, taken_at)
		 SELECT :id, :jobId, COALESCE(MAX(seq), 0) + 1, :kind, :subject, :data, :personId, :takenAt
		   FROM work_entries WHERE job_id = :jobId`,
		{ ...entry, jobId, data: JSON.stringify(entry.data), takenAt: new Date(entry.takenAt) }
	);
}

/** Steps that were timed, the latest first: what the shop's own pace is learned from. */
export async function listTimedSteps(db: Database, limit = 2000): Promise<RecordedStep[]> {
	const rows = await db.rows(
		`SELECT subject, JSON_VALUE(data, '$.tookMin') AS took, JSON_VALUE(data, '$.expectedMin') AS expected
		   FROM work_entries
		  WHERE kind = 'step' AND JSON_VALUE(data, '$.tookMin') IS NOT NULL
		  ORDER BY created_at DESC LIMIT ?`,
		[limit]
	);
	return rows.map((row) => ({
		kind: (row.subject as string).split('/')[1]!.split(':')[0] as StepKind,
		tookMin: Number(row.took),
		expectedMin: Number(row.expected)
	}));
}
