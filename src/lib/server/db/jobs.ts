import type { Corner } from '../../../core/height/corners.ts';
import type { JobHeader, SignOff } from '../../../core/job/model.ts';
import type { Database, Row } from './pool.ts';
import { searchWords } from './vehicles.ts';

function toHeader(row: Row): JobHeader {
	return {
		id: row.id as string,
		number: row.number as string,
		complaint: row.complaint as string,
		odometerKm: row.odometer_km as number | null,
		odometerEntered: row.odometer_entered as string | null,
		corners: (row.corners as string).split(',') as Corner[],
		technicianId: row.technician_id as string | null,
		school: row.school as JobHeader['school'],
		openedAt: (row.opened_at as Date).toISOString(),
		createdBy: row.created_by as string,
		signedAt: (row.signed_at as Date | null)?.toISOString() ?? null,
		resetAboveMm: row.reset_above_mm as number,
		version: row.version as number
	};
}

export async function findJob(
	db: Database,
	id: string
): Promise<(JobHeader & { vehicleId: string }) | undefined> {
	const row = await db.row('SELECT * FROM jobs WHERE id = ?', [id]);
	return row && { ...toHeader(row), vehicleId: row.vehicle_id as string };
}

/** Holds the job for the rest of the transaction, so that its rows are numbered one after the other. */
export async function lockJob(
	db: Database,
	id: string
): Promise<(JobHeader & { vehicleId: string }) | undefined> {
	const row = await db.row('SELECT * FROM jobs WHERE id = ? FOR UPDATE', [id]);
	return row && { ...toHeader(row), vehicleId: row.vehicle_id as string };
}

/** Jobs whose number, complaint, plate, car or owner holds every word; open first, latest first. */
export async function searchJobIds(
	db: Database,
	filter: { search: string; vehicleId?: string },
	limit: number
): Promise<string[]> {
	const words = searchWords(filter.search);
	const where = words.map(
		() =>
			`CONCAT_WS(' ', j.number, j.complaint, v.plate, REPLACE(v.plate, ' ', ''), v.make, v.model, v.owner, t.name) LIKE ?`
	);
	const values: unknown[] = [...words];
	if (filter.vehicleId) {
		where.push('j.vehicle_id = ?');
		values.push(filter.vehicleId);
	}
	const rows = await db.rows(
		`SELECT j.id FROM jobs j
		   JOIN vehicles v ON v.id = j.vehicle_id
		   LEFT JOIN people t ON t.id = j.technician_id
		  ${where.length ? `WHERE ${where.join(' AND ')}` : ''}
		  ORDER BY j.signed_at IS NOT NULL, j.opened_at DESC, j.id DESC LIMIT ?`,
		[...values, limit]
	);
	return rows.map((row) => row.id as string);
}

/** The next number of the year, `2026-0001` on; call it inside the transaction of the insert. */
export async function nextJobNumber(db: Database, year: number): Promise<string> {
	const row = await db.row(
		`SELECT MAX(CAST(SUBSTRING(number, 6) AS UNSIGNED)) AS last FROM jobs
		  WHERE number RLIKE CONCAT('^', ?, '-[0-9]+$') FOR UPDATE`,
		[String(year)]
	);
	return `${year}-${String(Number(row?.last ?? 0) + 1).padStart(4, '0')}`;
}

export async function insertJob(
	db: Database,
	job: JobHeader & { vehicleId: string }
): Promise<void> {
	await db.run(
		`INSERT INTO jobs
		   (id, number, vehicle_id, complaint, odometer_km, odometer_entered, corners, technician_id,
		    school, signed_at, reset_above_mm, version, created_by, opened_at)
		 VALUES
		   (:id, :number, :vehicleId, :complaint, :odometerKm, :odometerEntered, :corners, :technicianId,
		    :school, :signedAt, :resetAboveMm, :version, :createdBy, :openedAt)`,
		jobRow(job)
	);
}

/** Writes the head and takes the next version; the caller holds the job's lock and checked the version. */
export async function updateJob(db: Database, job: JobHeader): Promise<void> {
	await db.run(
		`UPDATE jobs
		    SET complaint = :complaint, odometer_km = :odometerKm, odometer_entered = :odometerEntered,
		        corners = :corners, technician_id = :technicianId, school = :school,
		        signed_at = :signedAt, reset_above_mm = :resetAboveMm, version = version + 1
		  WHERE id = :id`,
		jobRow(job)
	);
}

function jobRow(job: JobHeader): Record<string, unknown> {
	return {
		...job,
		corners: job.corners.join(','),
		openedAt: new Date(job.openedAt),
		signedAt: job.signedAt && new Date(job.signedAt)
	};
}

export interface JobChange {
	version: number;
	who: string;
	what: string;
	at: string;
}

export async function insertChange(
	db: Database,
	change: { jobId: string; version: number; personId: string; what: string }
): Promise<void> {
	await db.run(
		`INSERT INTO job_changes (job_id, version, person_id, what)
		 VALUES (:jobId, :version, :personId, :what)`,
		{ ...change, what: change.what.slice(0, 500) }
	);
}

/** What was changed after a version, oldest first. */
export async function changesSince(
	db: Database,
	jobId: string,
	version: number
): Promise<JobChange[]> {
	const rows = await db.rows(
		`SELECT c.version, p.name, c.what, c.created_at FROM job_changes c
		   JOIN people p ON p.id = c.person_id
		  WHERE c.job_id = ? AND c.version > ? ORDER BY c.version`,
		[jobId, version]
	);
	return rows.map((row) => ({
		version: row.version as number,
		who: row.name as string,
		what: row.what as string,
		at: (row.created_at as Date).toISOString()
	}));
}

export async function findSignOff(db: Database, jobId: string): Promise<SignOff | null> {
	const row = await db.row('SELECT * FROM sign_offs WHERE job_id = ?', [jobId]);
	if (!row) return null;
	return {
		id: row.id as string,
		personId: row.person_id as string,
		overrideReason: row.override_reason as string | null,
		owed: JSON.parse(row.owed as string),
		signedAt: (row.signed_at as Date).toISOString()
	};
}

export async function insertSignOff(db: Database, jobId: string, signOff: SignOff): Promise<void> {
	await db.run(
		`INSERT INTO sign_offs (id, job_id, person_id, override_reason, owed, signed_at)
		 VALUES (:id, :jobId, :personId, :overrideReason, :owed, :signedAt)`,
		{ ...signOff, jobId, owed: JSON.stringify(signOff.owed), signedAt: new Date(signOff.signedAt) }
	);
}
