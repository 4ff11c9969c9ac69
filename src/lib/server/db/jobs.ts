import type { Corner } from '../../../core/height/corners.ts';
import type { Stage } from '../../../core/procedure/stages.ts';
import type { Database, Row } from './pool.ts';

/** A job as this shop knows it; everything else of it is its book. */
export interface JobRow {
	id: string;
	number: string;
	vehicleId: string;
	/** Number of the last entry of its book. */
	seq: number;
}

const toJob = (row: Row): JobRow => ({
	id: row.id as string,
	number: row.number as string,
	vehicleId: row.vehicle_id as string,
	seq: row.seq as number
});

export async function findJob(db: Database, id: string): Promise<JobRow | undefined> {
	const row = await db.row('SELECT id, number, vehicle_id, seq FROM jobs WHERE id = ?', [id]);
	return row && toJob(row);
}

/** Holds the job for the rest of the transaction, so that its entries are numbered one after the other. */
export async function lockJob(db: Database, id: string): Promise<JobRow | undefined> {
	const row = await db.row('SELECT id, number, vehicle_id, seq FROM jobs WHERE id = ? FOR UPDATE', [
		id
	]);
	return row && toJob(row);
}

/** Every job, or those with these numbers. */
export async function listJobs(db: Database, numbers?: readonly string[]): Promise<JobRow[]> {
	const rows = numbers?.length
		? await db.rows(
				'SELECT id, number, vehicle_id, seq FROM jobs WHERE number IN (?) ORDER BY number',
				[numbers]
			)
		: await db.rows('SELECT id, number, vehicle_id, seq FROM jobs ORDER BY number');
	return rows.map(toJob);
}

export async function insertJob(db: Database, job: Omit<JobRow, 'seq'>): Promise<void> {
	await db.run('INSERT INTO jobs (id, number, vehicle_id) VALUES (:id, :number, :vehicleId)', job);
}

const numberOf = (year: number, count: number) => `${year}-${String(count).padStart(4, '0')}`;

/** The next number of the year, `2026-0001` on; call it inside the transaction of the insert. */
export async function nextJobNumber(db: Database, year: number): Promise<string> {
	await db.run(
		`INSERT INTO job_numbers (year, last) VALUES (?, LAST_INSERT_ID(1))
		 ON DUPLICATE KEY UPDATE last = LAST_INSERT_ID(last + 1)`,
		[year]
	);
	const row = await db.row('SELECT LAST_INSERT_ID() AS last');
	return numberOf(year, Number(row!.last));
}

/** A number that came from elsewhere: ours go on behind it. @returns false when a job here has it already */
export async function takeJobNumber(db: Database, number: string): Promise<boolean> {
	if (await db.row('SELECT id FROM jobs WHERE number = ?', [number])) return false;
	const [year, count] = number.split('-').map(Number);
	await db.run(
		`INSERT INTO job_numbers (year, last) VALUES (:year, :count)
		 ON DUPLICATE KEY UPDATE last = GREATEST(last, :count)`,
		{ year, count }
	);
	return true;
}

/** A job as lists show it. */
export interface JobLine {
	id: string;
	number: string;
	vehicleId: string;
	complaint: string;
	plate: string;
	car: string;
	owner: string;
	corners: Corner[];
	technician: string;
	openedAt: string;
	signedAt: string | null;
	stage: Stage | 'signed';
	/** Things still owed, on the corners and in all. */
	owed: number;
	/** Minutes of its whole order of work, and of what is left of it, at the usual pace; null: nothing planned. */
	minutes: number | null;
	minutesLeft: number | null;
	/** Hours of soak before it. */
	soakHours: number;
	odometerKm: number | null;
	wheelTorqueNm: number | null;
	technicianId: string | null;
	promisedAt: string | null;
	/** Parts that are not here. */
	partsWaiting: number;
	/** Of the customer; empty: not noted. */
	phone: string;
	/** Who said something of it last, what and when; empty and null: nobody yet. */
	lastPerson: string;
	lastWhat: string;
	lastAt: string | null;
}

const toLine = (row: Row): JobLine => ({
	id: row.job_id as string,
	number: row.number as string,
	vehicleId: row.vehicle_id as string,
	complaint: row.complaint as string,
	plate: row.plate as string,
	car: row.car as string,
	owner: row.owner as string,
	corners: (row.corners as string).split(',') as Corner[],
	technician: (row.technician as string | null) ?? '',
	openedAt: (row.opened_at as Date).toISOString(),
	signedAt: (row.signed_at as Date | null)?.toISOString() ?? null,
	stage: row.stage as Stage | 'signed',
	owed: row.owed as number,
	minutes: row.minutes as number | null,
	minutesLeft: row.minutes_left as number | null,
	soakHours: row.soak_hours as number,
	odometerKm: row.odometer_km as number | null,
	wheelTorqueNm: row.wheel_torque_nm as number | null,
	technicianId: row.technician_id as string | null,
	promisedAt: (row.promised_at as Date | null)?.toISOString() ?? null,
	partsWaiting: row.parts_waiting as number,
	phone: row.phone as string,
	lastPerson: (row.last_person as string | null) ?? '',
	lastWhat: row.last_what as string,
	lastAt: (row.last_at as Date | null)?.toISOString() ?? null
});

/**
 * Lines first, in the order of an index: what lists cost must not grow with the jobs that are closed, as it
 * would where the optimizer begins elsewhere because the tables are still small.
 */
const select = (index?: 'list' | 'car' | 'recheck') =>
	`SELECT ${index ? 'STRAIGHT_JOIN' : ''} l.*, j.number, t.name AS technician, p.name AS last_person
	   FROM job_lines l ${index ? `FORCE INDEX (job_lines_${index})` : ''}
	   JOIN jobs j ON j.id = l.job_id
	   LEFT JOIN people t ON t.id = l.technician_id
	   LEFT JOIN people p ON p.id = l.last_person_id`;

/** Which lines, latest first. */
export interface LineFilter {
	closed: boolean;
	/** Every one of them, or a word that begins so, finds the job. */
	words?: readonly string[];
	vehicleId?: string;
	/** Left out: all of them. */
	limit?: number;
	offset?: number;
}

export async function listLines(
	db: Database,
	{ closed, words = [], vehicleId, limit = 1e9, offset = 0 }: LineFilter
): Promise<JobLine[]> {
	const where = ['l.closed = ?'];
	const values: unknown[] = [closed];
	if (vehicleId) {
		where.push('l.vehicle_id = ?');
		values.push(vehicleId);
	}
	if (words.length) {
		const found = 'l.job_id IN (SELECT w.job_id FROM job_words w WHERE w.word LIKE ?)';
		const begins = (word: string) => `${word.replace(/[\\%_]/g, '\\$&')}%`;
		// Or all of it is one word: a plate that is kept without the space it is asked with.
		where.push(`(${words.map(() => found).join(' AND ')} OR ${found})`);
		values.push(...words.map(begins), begins(words.join('')));
	}
	const index = words.length ? undefined : vehicleId ? 'car' : 'list';
	const rows = await db.rows(
		`${select(index)} WHERE ${where.join(' AND ')} ORDER BY l.opened_at DESC, l.job_id DESC LIMIT ? OFFSET ?`,
		[...values, limit, offset]
	);
	return rows.map(toLine);
}

export async function listLinesOf(db: Database, ids: readonly string[]): Promise<JobLine[]> {
	if (ids.length === 0) return [];
	return (await db.rows(`${select()} WHERE l.job_id IN (?)`, [ids])).map(toLine);
}

/** Signed jobs whose wheels were off and have not been checked since, longest waiting first. */
export async function listRecheckLines(
	db: Database,
	{ limit, offset = 0 }: { limit: number; offset?: number }
): Promise<JobLine[]> {
	const rows = await db.rows(
		`${select('recheck')} WHERE l.recheck = TRUE ORDER BY l.signed_at, l.job_id LIMIT ? OFFSET ?`,
		[limit, offset]
	);
	return rows.map(toLine);
}

export async function countRecheckLines(db: Database): Promise<number> {
	const row = await db.row('SELECT COUNT(*) AS n FROM job_lines WHERE recheck = TRUE');
	return Number(row!.n);
}

/** Ids of a car's jobs that are not signed. */
export async function listOpenJobIdsOf(db: Database, vehicleId: string): Promise<string[]> {
	const rows = await db.rows(
		'SELECT job_id FROM job_lines WHERE vehicle_id = ? AND closed = FALSE ORDER BY job_id',
		[vehicleId]
	);
	return rows.map((row) => row.job_id as string);
}

/** Every job of a technician, open or signed. */
export async function listJobsOfTechnician(db: Database, personId: string): Promise<JobRow[]> {
	const rows = await db.rows(
		`SELECT j.id, j.number, j.vehicle_id, j.seq FROM job_lines l JOIN jobs j ON j.id = l.job_id
		  WHERE l.technician_id = ? ORDER BY j.id`,
		[personId]
	);
	return rows.map(toJob);
}
