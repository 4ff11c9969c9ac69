import type { Retorque } from '../../../core/job/model.ts';
import type { Database, Row } from './pool.ts';

const toRetorque = (row: Row): Retorque => ({
	id: row.id as string,
	odometerKm: row.odometer_km as number | null,
	odometerEntered: row.odometer_entered as string | null,
	torqueNm: row.torque_nm as number,
	entered: row.entered as string,
	found: row.found as Retorque['found'],
	note: row.note as string,
	personId: row.person_id as string,
	takenAt: (row.taken_at as Date).toISOString()
});

export async function listRetorques(db: Database, jobId: string): Promise<Retorque[]> {
	const rows = await db.rows('SELECT * FROM retorques WHERE job_id = ? ORDER BY taken_at, id', [
		jobId
	]);
	return rows.map(toRetorque);
}

export async function findRetorque(
	db: Database,
	id: string
): Promise<{ jobId: string; retorque: Retorque } | undefined> {
	const row = await db.row('SELECT * FROM retorques WHERE id = ?', [id]);
	return row && { jobId: row.job_id as string, retorque: toRetorque(row) };
}

export async function insertRetorque(
	db: Database,
	jobId: string,
	retorque: Retorque
): Promise<void> {
	await db.run(
		`INSERT INTO retorques
		   (id, job_id, odometer_km, odometer_entered, torque_nm, entered, found, note, person_id, taken_at)
		 VALUES
		   (:id, :jobId, :odometerKm, :odometerEntered, :torqueNm, :entered, :found, :note, :personId, :takenAt)`,
		{ ...retorque, jobId, takenAt: new Date(retorque.takenAt) }
	);
}

/** Signed jobs whose wheels were off and have not been checked since, longest waiting first. */
export async function listDueJobIds(db: Database, limit: number): Promise<string[]> {
	const rows = await db.rows(
		`SELECT j.id FROM jobs j
		  WHERE j.signed_at IS NOT NULL
		    AND EXISTS (SELECT 1 FROM joints w WHERE w.job_id = j.id AND w.kind = 'wheel')
		    AND NOT EXISTS (SELECT 1 FROM retorques r WHERE r.job_id = j.id)
		  ORDER BY j.signed_at
		  LIMIT ?`,
		[limit]
	);
	return rows.map((row) => row.id as string);
}
