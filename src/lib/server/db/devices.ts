import type { Device, DeviceReading } from '../../devices/model.ts';
import type { Database, Row } from './pool.ts';

function toDevice(row: Row): Device {
	return {
		id: row.id as string,
		name: row.name as string,
		kind: row.kind as Device['kind'],
		wrenchId: row.wrench_id as string | null,
		active: row.active === 1,
		lastSeq: Number(row.last_seq),
		task: row.task ? (JSON.parse(row.task as string) as Device['task']) : null,
		seenAt: (row.seen_at as Date | null)?.toISOString() ?? null
	};
}

export async function listDevices(db: Database): Promise<Device[]> {
	return (await db.rows('SELECT * FROM devices ORDER BY active DESC, name')).map(toDevice);
}

export async function findDevice(db: Database, id: string): Promise<Device | undefined> {
	const row = await db.row('SELECT * FROM devices WHERE id = ?', [id]);
	return row && toDevice(row);
}

export async function findDeviceByToken(db: Database, hash: string): Promise<Device | undefined> {
	const row = await db.row('SELECT * FROM devices WHERE token_hash = ? AND active', [hash]);
	return row && toDevice(row);
}

/** Holds the device for the rest of the transaction: its readings are taken one after the other. */
export async function lockDevice(db: Database, id: string): Promise<Device | undefined> {
	const row = await db.row('SELECT * FROM devices WHERE id = ? FOR UPDATE', [id]);
	return row && toDevice(row);
}

export async function insertDevice(
	db: Database,
	device: Pick<Device, 'id' | 'name' | 'kind' | 'wrenchId'> & { tokenHash: string }
): Promise<void> {
	await db.run(
		`INSERT INTO devices (id, name, kind, wrench_id, token_hash)
		 VALUES (:id, :name, :kind, :wrenchId, :tokenHash)`,
		{ ...device }
	);
}

export async function setDeviceActive(db: Database, id: string, active: boolean): Promise<void> {
	await db.run('UPDATE devices SET active = ?, task = NULL WHERE id = ?', [active, id]);
}

export async function setTask(db: Database, id: string, task: Device['task']): Promise<void> {
	await db.run('UPDATE devices SET task = ? WHERE id = ?', [task && JSON.stringify(task), id]);
}

export async function setSeen(db: Database, id: string, at: Date): Promise<void> {
	await db.run('UPDATE devices SET seen_at = ? WHERE id = ?', [at, id]);
}

/** The caller holds the device's lock. */
export async function setLastSeq(db: Database, id: string, seq: number): Promise<void> {
	await db.run('UPDATE devices SET last_seq = ? WHERE id = ?', [seq, id]);
}

const selectReading = `SELECT r.*, d.name AS device FROM device_readings r JOIN devices d ON d.id = r.device_id`;

function toReading(row: Row): DeviceReading {
	return {
		id: row.id as string,
		deviceId: row.device_id as string,
		device: row.device as string,
		seq: Number(row.seq),
		jobId: row.job_id as string | null,
		jointId: row.joint_id as string | null,
		state: row.state as DeviceReading['state'],
		reason: row.reason as string,
		reading: JSON.parse(row.reading as string) as DeviceReading['reading'],
		verdict: row.verdict ? (JSON.parse(row.verdict as string) as DeviceReading['verdict']) : null,
		rowId: row.row_id as string | null,
		takenAt: (row.taken_at as Date).toISOString()
	};
}

/** What devices sent for this job, newest first, and what nobody has placed yet. */
export async function listReadingsOf(
	db: Database,
	jobId: string,
	limit: number
): Promise<DeviceReading[]> {
	const rows = await db.rows(
		`(${selectReading} WHERE r.job_id = :jobId ORDER BY r.created_at DESC LIMIT :limit)
		 UNION (${selectReading} WHERE r.state = 'held' AND r.job_id IS NULL
		         ORDER BY r.created_at DESC LIMIT :limit)`,
		{ jobId, limit }
	);
	return rows
		.map(toReading)
		.sort((a, b) => (a.takenAt < b.takenAt ? 1 : a.takenAt > b.takenAt ? -1 : b.seq - a.seq));
}

export async function listHeld(db: Database, limit: number): Promise<DeviceReading[]> {
	const rows = await db.rows(
		`${selectReading} WHERE r.state = 'held' ORDER BY r.created_at DESC LIMIT ?`,
		[limit]
	);
	return rows.map(toReading);
}

export async function findDeviceReading(
	db: Database,
	id: string
): Promise<DeviceReading | undefined> {
	const row = await db.row(`${selectReading} WHERE r.id = ?`, [id]);
	return row && toReading(row);
}

/** The same for a change: nobody else places it meanwhile. */
export async function lockDeviceReading(
	db: Database,
	id: string
): Promise<DeviceReading | undefined> {
	const row = await db.row(`${selectReading} WHERE r.id = ? FOR UPDATE`, [id]);
	return row && toReading(row);
}

export async function insertDeviceReading(
	db: Database,
	reading: Omit<DeviceReading, 'device'> & { personId: string | null }
): Promise<void> {
	await db.run(
		`INSERT INTO device_readings
		   (id, device_id, seq, job_id, joint_id, state, reason, reading, verdict, row_id, person_id, taken_at)
		 VALUES
		   (:id, :deviceId, :seq, :jobId, :jointId, :state, :reason, :reading, :verdict, :rowId, :personId, :takenAt)`,
		{
			...reading,
			reading: JSON.stringify(reading.reading),
			verdict: reading.verdict && JSON.stringify(reading.verdict),
			takenAt: new Date(reading.takenAt)
		}
	);
}

export async function settleDeviceReading(
	db: Database,
	settled: Pick<DeviceReading, 'id' | 'state' | 'reason' | 'jobId' | 'jointId' | 'rowId'> & {
		personId: string;
	}
): Promise<void> {
	await db.run(
		`UPDATE device_readings
		    SET state = :state, reason = :reason, job_id = :jobId, joint_id = :jointId, row_id = :rowId,
		        person_id = :personId
		  WHERE id = :id`,
		{ ...settled }
	);
}
