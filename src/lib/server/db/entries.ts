import type { Entry } from '../../../core/job/book/entry.ts';
import type { Database, Row } from './pool.ts';

function toEntry(row: Row): Entry {
	return {
		seq: row.seq as number,
		id: row.id as string,
		kind: row.kind as Entry['kind'],
		subject: row.subject as string,
		personId: row.person_id as string,
		device: row.device as string | null,
		enteredAt: (row.entered_at as Date).toISOString(),
		storedAt: (row.stored_at as Date).toISOString(),
		...(row.vouched_by !== null && { vouchedBy: row.vouched_by as string }),
		seen: row.seen as number,
		corrects: row.corrects as string | null,
		data: JSON.parse(row.data as string),
		hash: row.hash as string
	} as Entry;
}

/** A job's entries after a number, in their order. */
export async function listEntries(db: Database, jobId: string, after = 0): Promise<Entry[]> {
	const rows = await db.rows('SELECT * FROM entries WHERE job_id = ? AND seq > ? ORDER BY seq', [
		jobId,
		after
	]);
	return rows.map(toEntry);
}

/** The entries of several jobs, by job. */
export async function listEntriesOf(
	db: Database,
	jobIds: readonly string[]
): Promise<Map<string, Entry[]>> {
	const found = new Map<string, Entry[]>(jobIds.map((id) => [id, []]));
	if (jobIds.length === 0) return found;
	const rows = await db.rows('SELECT * FROM entries WHERE job_id IN (?) ORDER BY job_id, seq', [
		jobIds
	]);
	for (const row of rows) found.get(row.job_id as string)!.push(toEntry(row));
	return found;
}

/** Whose job an entry is in, and the entry; for a retry. */
export async function findEntry(
	db: Database,
	id: string
): Promise<{ jobId: string; entry: Entry } | undefined> {
	const row = await db.row('SELECT * FROM entries WHERE id = ?', [id]);
	return row && { jobId: row.job_id as string, entry: toEntry(row) };
}

/** Adds entries at the end of a job's book; the caller holds the job and has numbered them. */
export async function insertEntries(
	db: Database,
	jobId: string,
	entries: readonly Entry[]
): Promise<void> {
	if (entries.length === 0) return;
	await db.run(
		`INSERT INTO entries
		   (job_id, seq, id, kind, subject, person_id, vouched_by, device, entered_at, stored_at, seen, corrects,
		    data, hash)
		 VALUES ?`,
		[
			entries.map((entry) => [
				jobId,
				entry.seq,
				entry.id,
				entry.kind,
				entry.subject,
				entry.personId,
				entry.vouchedBy ?? null,
				entry.device,
				new Date(entry.enteredAt),
				new Date(entry.storedAt),
				entry.seen,
				entry.corrects,
				JSON.stringify(entry.data),
				entry.hash
			])
		]
	);
	await db.run('UPDATE jobs SET seq = ? WHERE id = ?', [entries.at(-1)!.seq, jobId]);
}
