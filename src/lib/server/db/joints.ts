import type { Corner } from '../../../core/height/corners.ts';
import type { Joint, Torque } from '../../../core/job/model.ts';
import type { Database, Row } from './pool.ts';

const fromJson = <T>(text: unknown): T | null => (text ? (JSON.parse(text as string) as T) : null);
const toJson = (value: object | null): string | null => value && JSON.stringify(value);

export async function listJoints(db: Database, jobId: string): Promise<Joint[]> {
	const rows = await db.rows(
		'SELECT * FROM joints WHERE job_id = ? ORDER BY corner, position, id',
		[jobId]
	);
	return rows.map((row) => ({
		id: row.id as string,
		corner: row.corner as Corner,
		position: row.position as number,
		name: row.name as string,
		kind: row.kind as Joint['kind'],
		rule: row.rule as Joint['rule'],
		torqueNm: row.torque_nm as number | null,
		torqueEntered: row.torque_entered as string | null,
		torqueSource: row.torque_source as Joint['torqueSource'],
		oneTime: row.one_time === 1,
		tool: row.tool as Joint['tool'],
		holdStud: row.hold_stud === 1,
		pairKey: row.pair_key as string | null,
		programme: fromJson<Joint['programme']>(row.programme),
		thread: fromJson<Joint['thread']>(row.thread),
		place: row.place as Joint['place'],
		loosened: row.loosened === 1,
		note: row.note as string
	}));
}

export async function insertJoint(db: Database, jobId: string, joint: Joint): Promise<void> {
	await db.run(
		`INSERT INTO joints
		   (id, job_id, corner, position, name, kind, rule, torque_nm, torque_entered, torque_source, one_time,
		    tool, hold_stud, pair_key, programme, thread, place, loosened, note)
		 VALUES
		   (:id, :jobId, :corner, :position, :name, :kind, :rule, :torqueNm, :torqueEntered, :torqueSource, :oneTime,
		    :tool, :holdStud, :pairKey, :programme, :thread, :place, :loosened, :note)`,
		{ ...joint, jobId, programme: toJson(joint.programme), thread: toJson(joint.thread) }
	);
}

export async function updateJoint(db: Database, joint: Joint): Promise<void> {
	await db.run(
		`UPDATE joints
		    SET name = :name, kind = :kind, rule = :rule, torque_nm = :torqueNm,
		        torque_entered = :torqueEntered, torque_source = :torqueSource, one_time = :oneTime,
		        tool = :tool, hold_stud = :holdStud, programme = :programme, thread = :thread,
		        loosened = :loosened, note = :note
		  WHERE id = :id`,
		{ ...joint, programme: toJson(joint.programme), thread: toJson(joint.thread) }
	);
}

export async function deleteJoint(db: Database, id: string): Promise<void> {
	await db.run('DELETE FROM joints WHERE id = ?', [id]);
}

function toTorque(row: Row): Torque {
	return {
		id: row.id as string,
		jointId: row.joint_id as string,
		action: row.action as number,
		torqueNm: row.torque_nm as number | null,
		angleDeg: row.angle_deg as number | null,
		entered: row.entered as string,
		seen: row.seen as Torque['seen'],
		skipReason: row.skip_reason as string | null,
		wrench: row.wrench as string,
		wrenchId: row.wrench_id as string | null,
		settingNm: row.setting_nm as number | null,
		overrideReason: row.override_reason as string | null,
		deviceReadingId: row.device_reading_id as string | null,
		carState: row.car_state as Torque['carState'],
		method: row.method as Torque['method'],
		hubToArchMm: row.hub_to_arch_mm as number | null,
		hubToArchEntered: row.hub_to_arch_entered as string | null,
		targetHubToArchMm: row.target_hub_to_arch_mm as number | null,
		bush: fromJson<Torque['bush']>(row.bush),
		correctsId: row.corrects_id as string | null,
		withdrawn: row.withdrawn === 1,
		personId: row.person_id as string,
		takenAt: (row.taken_at as Date).toISOString()
	};
}

/** Torques of a job, or of one of its joints, in the order they were written. */
export async function listTorques(
	db: Database,
	jobId: string,
	jointId?: string
): Promise<Torque[]> {
	const rows = jointId
		? await db.rows('SELECT * FROM torques WHERE joint_id = ? AND job_id = ? ORDER BY seq', [
				jointId,
				jobId
			])
		: await db.rows('SELECT * FROM torques WHERE job_id = ? ORDER BY seq', [jobId]);
	return rows.map(toTorque);
}

export async function findTorque(
	db: Database,
	id: string
): Promise<{ jobId: string; torque: Torque } | undefined> {
	const row = await db.row('SELECT * FROM torques WHERE id = ?', [id]);
	return row && { jobId: row.job_id as string, torque: toTorque(row) };
}

/** Adds a torque at the end of the job's record; the caller holds the job's lock. */
export async function appendTorque(db: Database, jobId: string, torque: Torque): Promise<void> {
	await db.run(
		`INSERT INTO torques
		   (id, job_id, seq, joint_id, action, torque_nm, angle_deg, entered, seen, skip_reason, wrench, wrench_id,
		    setting_nm, override_reason, device_reading_id, car_state, method, hub_to_arch_mm,
		    hub_to_arch_entered, target_hub_to_arch_mm, bush, corrects_id, withdrawn, person_id, taken_at)
		 SELECT :id, :jobId, COALESCE(MAX(seq), 0) + 1, :jointId, :action, :torqueNm, :angleDeg, :entered, :seen,
		        :skipReason, :wrench, :wrenchId, :settingNm, :overrideReason, :deviceReadingId, :carState, :method, :hubToArchMm, :hubToArchEntered, :targetHubToArchMm, :bush, :correctsId,
		        :withdrawn, :personId, :takenAt
		   FROM torques WHERE job_id = :jobId`,
		{
			...torque,
			jobId,
			bush: toJson(torque.bush),
			takenAt: new Date(torque.takenAt)
		}
	);
}
