/**
 * Every job of before becomes a book: read from its old tables, chained, its first chain kept and proved.
 * A job at a time; one that is carried over already is left, so that an interrupted run goes on.
 */
import type { Connection, RowDataPacket } from 'mysql2/promise';
import { v7 as uuidv7 } from 'uuid';
import { bookOfFirst, type FirstRecord } from '../../src/core/job/book/first-record.ts';
import { chained } from '../../src/lib/server/jobs/book.ts';
import { proveFirstChain } from '../../src/lib/server/proof/first-chain.ts';

type Row = RowDataPacket & Record<string, never>;

export async function migrate(connection: Connection): Promise<void> {
	const rows = async (sql: string, values: unknown[] = []): Promise<Row[]> =>
		(await connection.query<Row[]>({ sql, values, typeCast }))[0];
	const [shop] = await rows('SELECT twist_set_deg, twist_advised_deg FROM shop');
	const limits = {
		setDeg: Number(shop?.twist_set_deg ?? 2),
		advisedDeg: Number(shop?.twist_advised_deg ?? 5)
	};
	const people = await rows('SELECT id, name, role FROM people');
	for (const head of await rows('SELECT * FROM jobs WHERE seq = 0 ORDER BY number')) {
		const job = await readFirst(rows, head, people);
		const storedAt = new Date().toISOString();
		const changes = (
			await rows('SELECT * FROM job_changes WHERE job_id = ? ORDER BY version', [head.id])
		).map((row) => ({
			version: row.version as number,
			personId: row.person_id as string,
			what: row.what as string,
			at: iso(row.created_at)
		}));
		const entries = chained(
			job.id,
			undefined,
			bookOfFirst(job, { limits, changes, storedAt: () => storedAt, key: uuidv7 })
		);
		const broken = proveFirstChain(job.id, entries, job.chain);
		// A record that does not hold is carried over as it is, and goes on not to hold.
		if (broken) console.error(`vane: job ${job.number}: ${broken}`);
		await connection.beginTransaction();
		await connection.query(
			`INSERT INTO entries
			   (job_id, seq, id, kind, subject, person_id, device, entered_at, stored_at, seen, corrects, data, hash)
			 VALUES ?`,
			[
				entries.map((entry) => [
					job.id,
					entry.seq,
					entry.id,
					entry.kind,
					entry.subject,
					entry.personId,
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
		await connection.query('UPDATE jobs SET seq = ? WHERE id = ?', [entries.length, job.id]);
		await connection.query(
			`INSERT IGNORE INTO pictures (photo_id, job_id, digest, jpeg)
			 SELECT id, job_id, SHA2(jpeg, 256), jpeg FROM photos WHERE job_id = ?`,
			[job.id]
		);
		await connection.query(
			`INSERT INTO job_numbers (year, last) VALUES (?, ?) ON DUPLICATE KEY UPDATE last = GREATEST(last, VALUES(last))`,
			job.number.split('-').map(Number)
		);
		await connection.commit();
	}
}

/** Numbers as numbers; JSON stays text. */
const typeCast = (
	field: { type: string; string: () => string | null },
	next: () => unknown
): unknown => {
	if (field.type === 'JSON') return field.string();
	if (field.type !== 'NEWDECIMAL') return next();
	const text = field.string();
	return text === null ? null : Number(text);
};

const iso = (value: unknown): string => new Date(value as Date).toISOString();
const json = (value: unknown) =>
	value === null || value === undefined
		? null
		: typeof value === 'string'
			? (JSON.parse(value) as unknown)
			: value;

/** What the program of that time made of a job's rows. */
async function readFirst(
	rows: (sql: string, values?: unknown[]) => Promise<Row[]>,
	head: Row,
	people: Row[]
): Promise<FirstRecord> {
	const of = (table: string, order: string) =>
		rows(`SELECT * FROM ${table} WHERE job_id = ? ORDER BY ${order}`, [head.id]);
	const [vehicle] = await rows('SELECT * FROM vehicles WHERE id = ?', [head.vehicle_id]);
	const axles = await rows('SELECT * FROM axles WHERE vehicle_id = ?', [head.vehicle_id]);
	const [signOff] = await of('sign_offs', 'signed_at');
	const photos = await rows(
		`SELECT id, corner, subject, note, width, height, withdrawn, person_id, taken_at FROM photos
		  WHERE job_id = ? ORDER BY created_at, id`,
		[head.id]
	);
	const record = {
		id: head.id,
		number: head.number,
		complaint: head.complaint,
		odometerKm: head.odometer_km,
		odometerEntered: head.odometer_entered,
		corners: (head.corners as string).split(','),
		technicianId: head.technician_id,
		school: head.school,
		openedAt: iso(head.opened_at),
		createdBy: head.created_by,
		signedAt: head.signed_at && iso(head.signed_at),
		resetAboveMm: head.reset_above_mm,
		version: head.version,
		vehicle: toVehicle(vehicle!, axles),
		heightSets: Object.fromEntries(
			(await of('height_sets', 'phase')).map((row) => [
				row.phase,
				{ conditions: json(row.conditions), resolutionMm: row.resolution_mm }
			])
		),
		offsets: Object.fromEntries(
			(await of('school_offsets', 'axle')).map((row) => [
				row.axle,
				{ offsetMm: row.offset_mm, entered: row.entered }
			])
		),
		readings: (await of('height_readings', 'seq')).map((row) => ({
			id: row.id,
			phase: row.phase,
			corner: row.corner,
			school: row.school,
			heightMm: row.height_mm,
			entered: row.entered,
			correctsId: row.corrects_id,
			withdrawn: row.withdrawn === 1,
			personId: row.person_id,
			takenAt: iso(row.taken_at)
		})),
		targets: (await of('targets', 'corner')).map((row) => ({
			corner: row.corner,
			heightMm: row.height_mm,
			entered: row.entered,
			source: row.source,
			prediction: json(row.prediction)
		})),
		joints: (await of('joints', 'corner, position, id')).map(toJoint),
		torques: (await of('torques', 'seq')).map(toTorque),
		loadings: (await of('loadings', 'seq')).map((row) => ({
			id: row.id,
			corner: row.corner,
			method: row.method,
			hubToArchMm: row.hub_to_arch_mm,
			entered: row.entered,
			oppositeBeforeMm: row.opposite_before_mm,
			oppositeNowMm: row.opposite_now_mm,
			deviceReadingId: row.device_reading_id,
			personId: row.person_id,
			takenAt: iso(row.taken_at)
		})),
		work: (await of('work_entries', 'seq')).map((row) => ({
			id: row.id,
			kind: row.kind,
			subject: row.subject,
			data: json(row.data),
			personId: row.person_id,
			takenAt: iso(row.taken_at)
		})),
		photos: photos.map((row) => ({
			id: row.id,
			corner: row.corner,
			subject: row.subject,
			note: row.note,
			width: row.width,
			height: row.height,
			withdrawn: row.withdrawn === 1,
			personId: row.person_id,
			takenAt: iso(row.taken_at)
		})),
		chain: (await of('record_chain', 'seq')).map((row) => ({
			seq: row.seq,
			kind: row.kind,
			id: row.row_id,
			hash: row.hash
		})),
		signOff: signOff
			? {
					id: signOff.id,
					personId: signOff.person_id,
					overrideReason: signOff.override_reason,
					owed: json(signOff.owed),
					signedAt: iso(signOff.signed_at)
				}
			: null,
		retorques: (await of('retorques', 'taken_at, id')).map((row) => ({
			id: row.id,
			odometerKm: row.odometer_km,
			odometerEntered: row.odometer_entered,
			torqueNm: row.torque_nm,
			entered: row.entered,
			found: row.found,
			note: row.note,
			personId: row.person_id,
			takenAt: iso(row.taken_at)
		})),
		people
	};
	return record as unknown as FirstRecord;
}

function toVehicle(row: Row, axleRows: Row[]): object {
	const axle = (which: string) => {
		const a = axleRows.find((one) => one.axle === which)!;
		return {
			layout: a.layout,
			trackMm: a.track_mm,
			tyreSize: a.tyre_size,
			armLengthMm: a.arm_length_mm,
			outerBelowInnerMm: a.outer_below_inner_mm,
			referenceHubToArchMm: a.reference_hub_to_arch_mm,
			wheelRateNPerMm: a.wheel_rate_n_per_mm,
			makerHeightMm: a.maker_height_mm,
			makerHeightSchool: a.maker_height_school,
			tape: json(a.tape),
			hardpoints: json(a.hardpoints)
		};
	};
	return {
		id: row.id,
		plate: row.plate,
		vin: row.vin,
		make: row.make,
		model: row.model,
		modelYear: row.model_year,
		owner: row.owner,
		wheelbaseMm: row.wheelbase_mm,
		modifications: row.modifications,
		axles: { front: axle('front'), rear: axle('rear') },
		entered: json(row.entered),
		version: row.version
	};
}

const toJoint = (row: Row) => ({
	id: row.id,
	corner: row.corner,
	position: row.position,
	name: row.name,
	kind: row.kind,
	rule: row.rule,
	torqueNm: row.torque_nm,
	torqueEntered: row.torque_entered,
	torqueSource: row.torque_source,
	oneTime: row.one_time === 1,
	tool: row.tool,
	holdStud: row.hold_stud === 1,
	pairKey: row.pair_key,
	programme: json(row.programme),
	thread: json(row.thread),
	place: row.place,
	loosened: row.loosened === 1,
	note: row.note
});

const toTorque = (row: Row) => ({
	id: row.id,
	jointId: row.joint_id,
	action: row.action,
	torqueNm: row.torque_nm,
	angleDeg: row.angle_deg,
	entered: row.entered,
	seen: row.seen,
	skipReason: row.skip_reason,
	wrench: row.wrench,
	wrenchId: row.wrench_id,
	settingNm: row.setting_nm,
	overrideReason: row.override_reason,
	deviceReadingId: row.device_reading_id,
	carState: row.car_state,
	method: row.method,
	hubToArchMm: row.hub_to_arch_mm,
	hubToArchEntered: row.hub_to_arch_entered,
	targetHubToArchMm: row.target_hub_to_arch_mm,
	bush: json(row.bush),
	correctsId: row.corrects_id,
	withdrawn: row.withdrawn === 1,
	personId: row.person_id,
	takenAt: iso(row.taken_at)
});
