import type { RackWrench } from '../../../core/fastener/rack.ts';
import type { Calibration, ShopWrench } from '../../rack/model.ts';
import type { Database, Row } from './pool.ts';

/** A wrench with its last calibration, and its pulls on record since. */
const select = `
	SELECT w.*, c.calibrated_on, c.passed,
	       (SELECT COALESCE(SUM(p.pulls), 0) FROM wrench_pulls p
	         WHERE p.wrench_id = w.id
	           AND (c.calibrated_on IS NULL OR p.day >= c.calibrated_on)) AS cycles
	  FROM wrenches w
	  LEFT JOIN wrench_calibrations c ON c.id = (
	       SELECT id FROM wrench_calibrations
	        WHERE wrench_id = w.id ORDER BY calibrated_on DESC, id DESC LIMIT 1)`;

const day = (value: unknown): string | null =>
	value === null ? null : (value as Date).toISOString().slice(0, 10);

function toWrench(row: Row): ShopWrench {
	return {
		id: row.id as string,
		name: row.name as string,
		kind: row.kind as RackWrench['kind'],
		lowestNm: row.lowest_nm as number,
		highestNm: row.highest_nm as number,
		lengthMm: row.length_mm as number | null,
		retired: row.retired === 1,
		entered: JSON.parse(row.entered as string),
		calibratedOn: day(row.calibrated_on ?? null),
		passed: row.passed === 1,
		cycles: Number(row.cycles),
		version: row.version as number
	};
}

export async function listWrenches(db: Database): Promise<ShopWrench[]> {
	return (await db.rows(`${select} ORDER BY w.retired, w.highest_nm, w.name`)).map(toWrench);
}

export async function findWrench(db: Database, id: string): Promise<ShopWrench | undefined> {
	const row = await db.row(`${select} WHERE w.id = ?`, [id]);
	return row && toWrench(row);
}

export async function insertWrench(db: Database, wrench: ShopWrench): Promise<void> {
	await db.run(
		`INSERT INTO wrenches (id, name, kind, lowest_nm, highest_nm, length_mm, retired, entered, version)
		 VALUES (:id, :name, :kind, :lowestNm, :highestNm, :lengthMm, :retired, :entered, :version)`,
		{ ...wrench, entered: JSON.stringify(wrench.entered) }
	);
}

/** @returns false when the version is no longer the current one */
export async function updateWrench(db: Database, wrench: ShopWrench): Promise<boolean> {
	const changed = await db.run(
		`UPDATE wrenches
		    SET name = :name, kind = :kind, lowest_nm = :lowestNm, highest_nm = :highestNm,
		        length_mm = :lengthMm, retired = :retired, entered = :entered, version = version + 1
		  WHERE id = :id AND version = :version`,
		{ ...wrench, entered: JSON.stringify(wrench.entered) }
	);
	return changed === 1;
}

export async function listCalibrations(db: Database): Promise<Calibration[]> {
	const rows = await db.rows(
		'SELECT * FROM wrench_calibrations ORDER BY calibrated_on DESC, id DESC'
	);
	return rows.map(toCalibration);
}

export async function findCalibration(db: Database, id: string): Promise<Calibration | undefined> {
	const row = await db.row('SELECT * FROM wrench_calibrations WHERE id = ?', [id]);
	return row && toCalibration(row);
}

const toCalibration = (row: Row): Calibration => ({
	id: row.id as string,
	wrenchId: row.wrench_id as string,
	calibratedOn: day(row.calibrated_on)!,
	readings: JSON.parse(row.readings as string),
	passed: row.passed === 1,
	note: row.note as string,
	personId: row.person_id as string
});

export async function insertCalibration(db: Database, calibration: Calibration): Promise<void> {
	await db.run(
		`INSERT INTO wrench_calibrations (id, wrench_id, calibrated_on, readings, passed, note, person_id)
		 VALUES (:id, :wrenchId, :calibratedOn, :readings, :passed, :note, :personId)`,
		{ ...calibration, readings: JSON.stringify(calibration.readings) }
	);
}
