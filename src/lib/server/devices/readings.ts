/** Readings of devices: taken once and in order, placed where they were asked for, or held for a person. */
import { actionsOf, missedBy } from '../../../core/fastener/joint-programme.ts';
import {
	torqueTrace,
	traceDoubts,
	usualRubberNmPerDeg,
	type TraceResult
} from '../../../core/fastener/trace/read.ts';
import { usualThreadSlope } from '../../../core/fastener/thread.ts';
import type { Corner } from '../../../core/height/corners.ts';
import type { CarState, LoadMethod } from '../../../core/procedure/facts.ts';
import { formatNumber } from '../../../core/units/format.ts';
import type { Quantity } from '../../../core/units/parse.ts';
import type {
	Acknowledged,
	Device,
	DeviceReading,
	DeviceTask,
	SentReading
} from '../../devices/model.ts';
import { atWork } from '../../../core/job/joints.ts';
import type { Command, Entry } from '../../../core/job/book/entry.ts';
import type { Joint, Phase } from '../../../core/job/model.ts';
import type { JobRecord } from '../../../core/job/record.ts';
import {
	findDeviceReading,
	insertDeviceReading,
	lockDevice,
	lockDeviceReading,
	setLastSeq,
	setTask,
	settleDeviceReading
} from '../db/devices.ts';
import { findPerson, type Person } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { readJob, tell } from '../jobs/book.ts';
import { notFound, Problem, refuse } from '../../../core/problem.ts';

/** A question is good for this long after it was last asked, ms: a closed page asks no more. */
const freshMs = 15 * 60_000;

/** What became of a line: an acknowledgement, or the number from which to send again. */
export type Taken =
	| (Acknowledged & { jobId?: string; taskDone: boolean; entries?: Entry[] })
	| { resendFrom: number };

const si = (value: number, unit: string): Quantity => ({
	text: `${Number(value.toFixed(2))} ${unit}`,
	entered: value,
	unit,
	si: value
});

/**
 * Takes one reading. Its id makes it unique; its number keeps the order: a reading that comes too early is
 * not taken, and the device is told from where to send again.
 */
export function takeReading(db: Database, deviceId: string, sent: SentReading): Promise<Taken> {
	return db.transaction(async (tx) => {
		const device = (await lockDevice(tx, deviceId))!;
		const here = await findDeviceReading(tx, sent.id);
		if (here && here.deviceId !== deviceId)
			throw refuse('id', 'is that of another device’s reading', sent.id);
		if (here) {
			return { result: 'duplicate', reason: 'this reading is here already', taskDone: false };
		}
		if (sent.seq <= device.lastSeq) {
			return {
				result: 'duplicate',
				reason: `reading ${sent.seq} was taken under another id`,
				taskDone: false
			};
		}
		if (sent.seq > device.lastSeq + 1) return { resendFrom: device.lastSeq + 1 };
		const { task } = device;
		// An instrument whose clock runs ahead was not asked long before.
		const taken = Math.min(Date.parse(sent.takenAt), Date.now());
		const late = task !== null && taken - Date.parse(task.askedAt) > freshMs;
		const own = task !== null && sent.task === task.id && !late;
		const jobId = task?.jobId ?? null;
		const record = own ? (await readJob(tx, task.jobId)).record : undefined;
		const joint =
			own && task.kind === 'torque'
				? record!.joints.find(({ id }) => id === task.jointId)
				: undefined;
		const verdict = joint ? readTrace(joint, task as TorqueTask, sent) : null;
		const doubt = own ? doubtOf(task, sent, joint, verdict) : notAsked(task, late);
		const row = {
			id: sent.id,
			deviceId,
			seq: sent.seq,
			jobId: own ? jobId : null,
			jointId: joint?.id ?? null,
			reading: sent,
			verdict,
			takenAt: sent.takenAt,
			personId: null
		};
		const placed = doubt === undefined ? await place(tx, device, task!, sent, record!) : undefined;
		const refused = doubt ?? placed?.refused;
		await insertDeviceReading(tx, {
			...row,
			state: refused === undefined ? 'placed' : 'held',
			reason: refused ?? '',
			rowId: refused === undefined && sent.kind !== 'loads' ? sent.id : null
		});
		await setLastSeq(tx, deviceId, sent.seq);
		// A torque is asked for anew at each step; a gauge or scales go on with what they are at.
		const taskDone = refused === undefined && task?.kind === 'torque';
		if (taskDone) await setTask(tx, deviceId, null);
		return {
			result: refused === undefined ? 'placed' : 'held',
			reason: refused ?? '',
			taskDone,
			...(jobId !== null && { jobId }),
			...(placed && { entries: placed.entries })
		};
	});
}

/** The device says that a reading is gone for good: the order goes on behind it. */
export function passOver(db: Database, deviceId: string, seq: number): Promise<boolean> {
	return db.transaction(async (tx) => {
		const device = (await lockDevice(tx, deviceId))!;
		if (seq !== device.lastSeq + 1) return false;
		await setLastSeq(tx, deviceId, seq);
		return true;
	});
}

/** Why a reading answers no question. */
function notAsked(task: DeviceTask | null, late: boolean): string {
	if (!task) return 'nobody had asked for a reading';
	return late
		? 'was asked for long before, by a page that is closed'
		: 'was measured for another joint than the one asked for';
}

type TorqueTask = Extract<DeviceTask, { kind: 'torque' }>;

/** What the core reads in the trace of a step that ends by torque. */
function readTrace(joint: Joint, task: TorqueTask, sent: SentReading): TraceResult | null {
	if (sent.kind !== 'torque' || !sent.trace) return null;
	const action = actionsOf(atWork(joint))[task.action];
	if (!action || action.torqueNm === undefined || !sent.complete) return null;
	const { prevailingNm } = joint.programme ?? {};
	const targetNm = action.torqueNm - (prevailingNm ?? 0);
	const high = action.kind === 'castle' ? joint.programme!.castle!.highNm : undefined;
	const found = torqueTrace({
		...sent.trace,
		programme: {
			targetNm,
			...(prevailingNm !== undefined && { prevailingNm }),
			...(joint.thread && { slopeNmPerDeg: usualThreadSlope(joint.thread) }),
			...(joint.kind === 'bonded-bush' && { rubberNmPerDeg: usualRubberNmPerDeg }),
			...(high !== undefined && { tolerance: high / targetNm - 1 })
		}
	});
	return found.ok ? found.value : null;
}

/** Why a reading for the task is not believed; undefined when it is. */
function doubtOf(
	task: DeviceTask,
	sent: SentReading,
	joint: Joint | undefined,
	verdict: TraceResult | null
): string | undefined {
	const fits =
		(sent.kind === 'torque' && task.kind === 'torque') ||
		(sent.kind === 'height' && (task.kind === 'height' || task.kind === 'loading')) ||
		(sent.kind === 'loads' && task.kind === 'loads');
	if (!fits) return 'is of another kind than was asked for';
	if (sent.kind !== 'torque') return undefined;
	if (!joint) return 'its joint is no longer in the job';
	if (!sent.complete) return `broke off at ${formatNumber(sent.torqueNm, 1)} N·m: pull again`;
	const action = actionsOf(atWork(joint))[(task as TorqueTask).action];
	if (!action) return 'its step is no longer in the programme';
	const missed = missedBy(atWork(joint), action, {
		torqueNm: sent.torqueNm,
		angleDeg: sent.angleDeg
	});
	if (verdict && verdict.verdict !== 'accepted') return traceDoubts(verdict).join('; ');
	if (!missed) return undefined;
	const what = missed.of === 'torque' ? 'torque' : 'angle';
	return `${formatNumber(missed.by * 100, 0)} % ${missed.way} its ${what}`;
}

/** Says the reading to the job's book under its own id, as the person who asked for it would. */
async function place(
	tx: Database,
	device: Device,
	task: DeviceTask,
	sent: SentReading,
	record: JobRecord
): Promise<{ refused?: string; entries: Entry[] }> {
	const where: Where = task.kind === 'loads' ? {} : task;
	const command = commandOf(where, sent, record, device);
	if (!command) return { entries: [] };
	const person = (await findPerson(tx, task.personId))!;
	try {
		return await tell(tx, task.jobId, command, { person, device: device.id });
	} catch (error) {
		if (!(error instanceof Problem)) throw error;
		return { refused: problemWords(error), entries: [] };
	}
}

const problemWords = ({ message, faults }: Problem): string =>
	faults.map((fault) => fault.message).join('; ') || message;

/** Where a reading belongs: a device's task, or what a person says of a held one. */
interface Where {
	jointId?: string;
	action?: number;
	carState?: CarState;
	method?: LoadMethod | null;
	hubToArchMm?: number | null;
	loosenedFirst?: boolean;
	aheadReason?: string;
	overrideReason?: string;
	corner?: Corner;
	phase?: Phase;
}

/** The command that a reading is, as a person would say it; undefined for loads, which no book holds. */
function commandOf(
	where: Where,
	sent: SentReading,
	record: JobRecord,
	device: Pick<Device, 'name' | 'wrenchId'>
): Command | undefined {
	const { id, takenAt: enteredAt } = sent;
	if (sent.kind === 'height') {
		const height = si(sent.heightMm, 'mm');
		const subject = where.corner!;
		if (where.phase) {
			const data = { phase: where.phase, school: record.school, height };
			return { id, kind: 'reading', subject, data, enteredAt };
		}
		const data = { method: where.method!, hubToArch: height, deviceReadingId: id };
		return { id, kind: 'loading', subject, data, enteredAt };
	}
	if (sent.kind !== 'torque') return undefined;
	const joint = record.joints.find((one) => one.id === where.jointId);
	const { action = 0, hubToArchMm, method, overrideReason, loosenedFirst, aheadReason } = where;
	const kind = joint && actionsOf(atWork(joint))[action]?.kind;
	const turned = kind === 'angle' || kind === 'slacken';
	const { angleDeg, torqueNm } = sent;
	const data = {
		...(kind !== 'slacken' && torqueNm > 0 && { torque: si(torqueNm, 'N·m') }),
		...(turned && angleDeg !== undefined && { angle: si(Math.abs(angleDeg), '°') }),
		action,
		wrench: device.name,
		...(device.wrenchId !== null && { wrenchId: device.wrenchId }),
		...(overrideReason && { overrideReason }),
		carState: where.carState!,
		...(method && { method }),
		...(hubToArchMm && { hubToArch: si(hubToArchMm, 'mm') }),
		...(loosenedFirst !== undefined && { loosenedFirst }),
		...(aheadReason && { aheadReason }),
		deviceReadingId: id
	};
	return { id, kind: 'torque', subject: where.jointId!, data, enteredAt };
}

export interface Placement {
	jobId: string;
	jointId?: string;
	action: number;
	carState: CarState;
	method?: LoadMethod;
	hubToArch?: Quantity;
	loosenedFirst?: boolean;
	aheadReason?: string;
	overrideReason?: string;
	corner?: Corner;
	phase?: Phase;
}

/** A person says where a held reading belongs; it is said to that book under its own id. */
export function placeReading(
	db: Database,
	id: string,
	{ jobId, hubToArch, ...where }: Placement,
	person: Pick<Person, 'id' | 'name' | 'role'>
): Promise<{ reading: DeviceReading; entries: Entry[] }> {
	return db.transaction(async (tx) => {
		const held = await heldReading(tx, id);
		const sent = held.reading;
		if (sent.kind === 'torque' && !where.jointId) {
			throw refuse('jointId', 'say at which joint it was pulled');
		}
		if (sent.kind === 'height') {
			if (!where.corner) throw refuse('corner', 'say at which corner it was read');
			if (!where.phase && !where.method)
				throw refuse('phase', 'before, after, or loaded by a method');
		}
		const device = (await lockDevice(tx, held.deviceId))!;
		const { record } = await readJob(tx, jobId);
		const command = commandOf({ ...where, hubToArchMm: hubToArch?.si }, sent, record, device);
		const entries = command
			? (await tell(tx, jobId, command, { person, device: device.id })).entries
			: [];
		await settleDeviceReading(tx, {
			id,
			state: 'placed',
			reason: held.reason,
			jobId,
			jointId: where.jointId ?? null,
			rowId: command ? sent.id : null,
			personId: person.id
		});
		return { reading: (await findDeviceReading(tx, id))!, entries };
	});
}

/** A person says that a held reading is not to count; it stays as it was sent. */
export function setReadingAside(
	db: Database,
	id: string,
	reason: string,
	personId: string
): Promise<DeviceReading> {
	return db.transaction(async (tx) => {
		const { jobId, jointId } = await heldReading(tx, id);
		await settleDeviceReading(tx, {
			id,
			state: 'set-aside',
			reason,
			jobId,
			jointId,
			rowId: null,
			personId
		});
		return (await findDeviceReading(tx, id))!;
	});
}

async function heldReading(tx: Database, id: string): Promise<DeviceReading> {
	const reading = await lockDeviceReading(tx, id);
	if (!reading) throw notFound('reading of a device');
	if (reading.state !== 'held') {
		const done = reading.state === 'placed' ? 'placed' : 'set aside';
		throw new Problem(409, `That reading is ${done} already.`);
	}
	return reading;
}
