import type { Axle, Corner } from '../../../core/height/corners.ts';
import type { HeightSet, JobRecord, Phase, Reading, Target } from '../../../core/job/model.ts';
import type { Database, Row } from './pool.ts';

export async function findHeightSets(
	db: Database,
	jobId: string
): Promise<JobRecord['heightSets']> {
	const rows = await db.rows('SELECT * FROM height_sets WHERE job_id = ?', [jobId]);
	return Object.fromEntries(
		rows.map((row) => [
			row.phase,
			{
				conditions: JSON.parse(row.conditions as string),
				resolutionMm: row.resolution_mm as number
			}
		])
	);
}

export async function putHeightSet(
	db: Database,
	jobId: string,
	phase: Phase,
	set: HeightSet
): Promise<void> {
	await db.run(
		'REPLACE INTO height_sets (job_id, phase, conditions, resolution_mm) VALUES (?, ?, ?, ?)',
		[jobId, phase, JSON.stringify(set.conditions), set.resolutionMm]
	);
}

function toReading(row: Row): Reading {
	return {
		id: row.id as string,
		phase: row.phase as Phase,
		corner: row.corner as Corner,
		school: row.school as Reading['school'],
		heightMm: row.height_mm as number | null,
		entered: row.entered as string,
		correctsId: row.corrects_id as string | null,
		withdrawn: row.withdrawn === 1,
		personId: row.person_id as string,
		takenAt: (row.taken_at as Date).toISOString()
	};
}

export async function listReadings(db: Database, jobId: string): Promise<Reading[]> {
	const rows = await db.rows('SELECT * FROM height_readings WHERE job_id = ? ORDER BY seq', [
		jobId
	]);
	return rows.map(toReading);
}

/** Whose job a reading is on, and the reading; for a retry and for a correction. */
export async function findReading(
	db: Database,
	id: string
): Promise<{ jobId: string; reading: Reading } | undefined> {
	const row = await db.row('SELECT * FROM height_readings WHERE id = ?', [id]);
	return row && { jobId: row.job_id as string, reading: toReading(row) };
}

/** Adds a reading at the end of the job's record; the caller holds the job's lock. */
export async function appendReading(db: Database, jobId: string, reading: Reading): Promise<void> {
	await db.run(
		`INSERT INTO height_readings
		   (id, job_id, seq, phase, corner, school, height_mm, entered, corrects_id, withdrawn, person_id, taken_at)
		 SELECT :id, :jobId, COALESCE(MAX(seq), 0) + 1, :phase, :corner, :school, :heightMm, :entered,
		        :correctsId, :withdrawn, :personId, :takenAt
		   FROM height_readings WHERE job_id = :jobId`,
		{ ...reading, jobId, takenAt: new Date(reading.takenAt) }
	);
}

export async function findOffsets(db: Database, jobId: string): Promise<JobRecord['offsets']> {
	const rows = await db.rows('SELECT * FROM school_offsets WHERE job_id = ?', [jobId]);
	return Object.fromEntries(
		rows.map((row) => [
			row.axle,
			{ offsetMm: row.offset_mm as number, entered: row.entered as string }
		])
	);
}

export async function putOffset(
	db: Database,
	jobId: string,
	axle: Axle,
	{ offsetMm, entered }: { offsetMm: number; entered: string }
): Promise<void> {
	await db.run(
		'REPLACE INTO school_offsets (job_id, axle, offset_mm, entered) VALUES (?, ?, ?, ?)',
		[jobId, axle, offsetMm, entered]
	);
}

export async function listTargets(db: Database, jobId: string): Promise<Target[]> {
	const rows = await db.rows('SELECT * FROM targets WHERE job_id = ? ORDER BY corner', [jobId]);
	return rows.map((row) => ({
		corner: row.corner as Corner,
		heightMm: row.height_mm as number,
		entered: row.entered as string,
		source: row.source as Target['source'],
		prediction: row.prediction
			? (JSON.parse(row.prediction as string) as Target['prediction'])
			: null
	}));
}

export async function putTarget(db: Database, jobId: string, target: Target): Promise<void> {
	await db.run(
		`REPLACE INTO targets (job_id, corner, height_mm, entered, source, prediction)
		 VALUES (:jobId, :corner, :heightMm, :entered, :source, :prediction)`,
		{ ...target, jobId, prediction: target.prediction && JSON.stringify(target.prediction) }
	);
}

export async function deleteTarget(db: Database, jobId: string, corner: Corner): Promise<void> {
	await db.run('DELETE FROM targets WHERE job_id = ? AND corner = ?', [jobId, corner]);
}
