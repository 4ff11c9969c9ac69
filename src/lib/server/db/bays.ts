import type { Slot } from '../../bays/model.ts';
import type { Database, Row } from './pool.ts';

const toSlot = (row: Row): Slot => ({
	jobId: row.job_id as string,
	bay: row.bay as number,
	startsAt: (row.starts_at as Date).toISOString(),
	minutes: row.minutes as number,
	version: row.version as number,
	comesAt: (row.comes_at as Date | null)?.toISOString() ?? null
});

/** Slots that touch a span of time. */
export async function listSlots(db: Database, from: Date, to: Date): Promise<Slot[]> {
	const rows = await db.rows(
		`SELECT * FROM bay_slots
		  WHERE starts_at < ? AND DATE_ADD(starts_at, INTERVAL minutes MINUTE) > ? ORDER BY starts_at, bay`,
		[to, from]
	);
	return rows.map(toSlot);
}

/** Slots of every job that is not signed. */
export async function listOpenSlots(db: Database): Promise<Slot[]> {
	const rows = await db.rows(
		`SELECT b.* FROM bay_slots b JOIN job_lines l ON l.job_id = b.job_id WHERE l.closed = FALSE`
	);
	return rows.map(toSlot);
}

export async function findSlot(db: Database, jobId: string): Promise<Slot | undefined> {
	const row = await db.row('SELECT * FROM bay_slots WHERE job_id = ?', [jobId]);
	return row && toSlot(row);
}

/** Slots of a bay that overlap a span; held, so that two people cannot take the same hour. */
export async function slotsInTheWay(db: Database, slot: Slot): Promise<Slot[]> {
	const rows = await db.rows(
		`SELECT * FROM bay_slots
		  WHERE bay = :bay AND job_id <> :jobId
		    AND starts_at < DATE_ADD(:startsAt, INTERVAL :minutes MINUTE)
		    AND DATE_ADD(starts_at, INTERVAL minutes MINUTE) > :startsAt
		  FOR UPDATE`,
		{ ...slot, startsAt: new Date(slot.startsAt) }
	);
	return rows.map(toSlot);
}

export async function putSlot(db: Database, slot: Slot): Promise<void> {
	await db.run(
		`INSERT INTO bay_slots (job_id, bay, starts_at, minutes, version, comes_at)
		 VALUES (:jobId, :bay, :startsAt, :minutes, :version, :comesAt)
		 ON DUPLICATE KEY UPDATE bay = :bay, starts_at = :startsAt, minutes = :minutes, version = :version,
		   comes_at = :comesAt`,
		{
			...slot,
			startsAt: new Date(slot.startsAt),
			comesAt: slot.comesAt && new Date(slot.comesAt)
		}
	);
}

export async function deleteSlot(db: Database, jobId: string): Promise<void> {
	await db.run('DELETE FROM bay_slots WHERE job_id = ?', [jobId]);
}
