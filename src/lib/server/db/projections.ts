/** Tables that are made of the books: written with each entry, made anew by `./vane rebuild`, never the truth. */
import type { CarNote } from '../../../core/job/kinds/note/standing.ts';
import type { KnownSpecification } from '../../../core/job/joints.ts';
import type { Undone } from '../../../core/fastener/survival.ts';
import type { TimedKind } from '../../../core/work/minutes.ts';
import type { StepKind } from '../../../core/work/operations.ts';
import type { Projected } from '../../../core/job/book/kind.ts';
import type { JobLine } from './jobs.ts';
import type { FactSite } from './fact-site.ts';
import { putOwn } from './shop-knowledge.ts';
import type { Database } from './pool.ts';

/** The tables, for comparing and for emptying. */
export const projectionTables = [
	'job_lines',
	'job_words',
	'wrench_pulls',
	'step_times',
	'specifications',
	'car_notes',
	'own_knowledge',
	'links_undone'
] as const;

/** A line of the lists as it is kept: number and technician's name stand elsewhere. */
export interface LineRow extends Omit<JobLine, 'id' | 'number' | 'technician' | 'lastPerson'> {
	jobId: string;
	lastPersonId: string | null;
	/** Its wheels are still to be checked. */
	recheck: boolean;
}

export async function putLine(db: Database, line: LineRow): Promise<void> {
	await db.run(
		`REPLACE INTO job_lines
		   (job_id, vehicle_id, plate, car, owner, complaint, corners, technician_id, stage, owed, minutes,
		    minutes_left, soak_hours, odometer_km, wheel_torque_nm, opened_at, signed_at, closed, recheck,
		    promised_at, parts_waiting, phone, last_person_id, last_what, last_at)
		 VALUES
		   (:jobId, :vehicleId, :plate, :car, :owner, :complaint, :corners, :technicianId, :stage, :owed, :minutes,
		    :minutesLeft, :soakHours, :odometerKm, :wheelTorqueNm, :openedAt, :signedAt, :closed, :recheck,
		    :promisedAt, :partsWaiting, :phone, :lastPersonId, :lastWhat, :lastAt)`,
		{
			...line,
			corners: line.corners.join(','),
			openedAt: new Date(line.openedAt),
			signedAt: line.signedAt && new Date(line.signedAt),
			promisedAt: line.promisedAt && new Date(line.promisedAt),
			lastAt: line.lastAt && new Date(line.lastAt),
			closed: line.signedAt !== null
		}
	);
}

export async function putWords(
	db: Database,
	jobId: string,
	words: readonly string[]
): Promise<void> {
	await db.run('DELETE FROM job_words WHERE job_id = ?', [jobId]);
	if (words.length === 0) return;
	await db.run('INSERT INTO job_words (word, job_id) VALUES ?', [
		words.map((word) => [word, jobId])
	]);
}

export async function putFact(db: Database, fact: Projected, site: FactSite): Promise<void> {
	if (fact.of === 'pull') {
		await db.run(
			`INSERT INTO wrench_pulls (wrench_id, day, pulls) VALUES (?, ?, 1)
			 ON DUPLICATE KEY UPDATE pulls = pulls + 1`,
			[fact.wrenchId, fact.day]
		);
	} else if (fact.of === 'step-time') {
		await db.run(
			`INSERT INTO step_times (kind, steps, log_ratios) VALUES (:kind, 1, :log)
			 ON DUPLICATE KEY UPDATE steps = steps + 1, log_ratios = log_ratios + :log`,
			{ kind: fact.kind, log: Math.round(fact.logRatio * 1e6) }
		);
	} else if (fact.of === 'specification') {
		await putSpecification(db, fact, site);
	} else if (fact.of === 'car-note') {
		await db.run(
			`INSERT INTO car_notes (entry_id, vehicle_id, job_id, person_id, text, entered_at)
			 VALUES (:entryId, :vehicleId, :jobId, :personId, :text, :enteredAt)`,
			{ ...site, text: fact.text, enteredAt: new Date(site.enteredAt) }
		);
	} else if (fact.of === 'links-undone') {
		await db.run(
			`INSERT INTO links_undone (rust, model_year, undone, ruined) VALUES (:rust, :modelYear, :undone, :ruined)
			 ON DUPLICATE KEY UPDATE undone = undone + :undone, ruined = ruined + :ruined`,
			{ ...fact }
		);
	} else if (fact.of === 'own-knowledge') {
		await putOwn(db, fact, site);
	} else {
		await db.run('DELETE FROM car_notes WHERE entry_id = ? AND vehicle_id = ?', [
			fact.entryId,
			site.vehicleId
		]);
	}
}

/** The one written last stands, in whatever order they are put. */
async function putSpecification(
	db: Database,
	{ axle, layout, jointKey, of: _, ...said }: Extract<Projected, { of: 'specification' }>,
	{ jobId, vehicleId, model, modelYear, entryId, storedAt }: FactSite
): Promise<void> {
	const later =
		'(VALUES(stored_at) > stored_at OR (VALUES(stored_at) = stored_at AND VALUES(entry_id) >= entry_id))';
	// The moment is set last: the others are held against the one that stood.
	const columns = ['specification', 'job_id', 'entry_id', 'stored_at'];
	const row = (scope: string, key: string, year: number | null) => [
		scope,
		key,
		year ?? 0,
		axle,
		layout,
		jointKey,
		JSON.stringify(said),
		jobId,
		entryId,
		new Date(storedAt)
	];
	await db.run(
		`INSERT INTO specifications
		   (scope, scope_key, model_year, axle, layout, joint_key, specification, job_id, entry_id, stored_at)
		 VALUES ?
		 ON DUPLICATE KEY UPDATE ${columns.map((name) => `${name} = IF(${later}, VALUES(${name}), ${name})`).join(', ')}`,
		[[row('car', vehicleId, null), ...(model ? [row('model', model, modelYear)] : [])]]
	);
}

/** What the shop's own pace is learned from. */
export async function listTimedKinds(db: Database): Promise<TimedKind[]> {
	const rows = await db.rows('SELECT kind, steps, log_ratios FROM step_times ORDER BY kind');
	return rows.map((row) => ({
		kind: row.kind as StepKind,
		steps: row.steps as number,
		logRatios: Number(row.log_ratios) / 1e6
	}));
}

/** How often studs of drop links did not survive here. */
export const listLinksUndone = (db: Database): Promise<Undone[]> =>
	db.rows<Undone>(
		`SELECT rust, model_year AS modelYear, CAST(undone AS SIGNED) AS undone, CAST(ruined AS SIGNED) AS ruined
		   FROM links_undone ORDER BY rust, model_year`
	);

/** Of the car, and of its model for each year it was worked on. */
export async function listSpecifications(
	db: Database,
	{ vehicleId, model, layouts }: { vehicleId: string; model: string; layouts: readonly string[] }
): Promise<KnownSpecification[]> {
	const rows = await db.rows(
		`SELECT s.*, j.number FROM specifications s JOIN jobs j ON j.id = s.job_id
		  WHERE ((s.scope = 'car' AND s.scope_key = :vehicleId) OR (s.scope = 'model' AND s.scope_key = :model AND s.scope_key <> ''))
		    AND s.layout IN (:layouts)
		  ORDER BY s.scope, s.axle, s.joint_key, s.model_year`,
		{ vehicleId, model, layouts }
	);
	return rows.map((row) => ({
		scope: row.scope as 'car' | 'model',
		axle: row.axle as KnownSpecification['axle'],
		layout: row.layout as string,
		jointKey: row.joint_key as string,
		modelYear: (row.model_year as number) || null,
		jobNumber: row.number as string,
		...(JSON.parse(row.specification as string) as Pick<
			KnownSpecification,
			'torqueNm' | 'entered' | 'source' | 'programme' | 'thread'
		>)
	}));
}

export async function listCarNotes(db: Database, vehicleId: string): Promise<CarNote[]> {
	const rows = await db.rows(
		`SELECT n.*, j.number, p.name FROM car_notes n
		   JOIN jobs j ON j.id = n.job_id JOIN people p ON p.id = n.person_id
		  WHERE n.vehicle_id = ? ORDER BY n.entered_at DESC, n.entry_id DESC`,
		[vehicleId]
	);
	return rows.map((row) => ({
		id: row.entry_id as string,
		jobId: row.job_id as string,
		jobNumber: row.number as string,
		person: row.name as string,
		text: row.text as string,
		enteredAt: (row.entered_at as Date).toISOString()
	}));
}
