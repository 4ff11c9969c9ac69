/** Which devices the shop has, and what each is asked to measure next. */
import { randomBytes } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { v7 as uuidv7 } from 'uuid';
import { actionsOf } from '../../../core/fastener/joint-programme.ts';
import { cornerNames, type Corner } from '../../../core/height/corners.ts';
import type { CarState, LoadMethod } from '../../../core/procedure/facts.ts';
import type { Quantity } from '../../../core/units/parse.ts';
import type { Device, DeviceKind, DeviceTask, TaskKind } from '../../devices/model.ts';
import { atWork } from '../../../core/job/joints.ts';
import type { Phase } from '../../../core/job/model.ts';
import { tokenHash } from '../auth/secrets.ts';
import { findDevice, insertDevice, setDeviceActive, setTask } from '../db/devices.ts';
import { isDuplicate, type Database } from '../db/pool.ts';
import { findWrench } from '../db/wrenches.ts';
import { readJob } from '../jobs/book.ts';
import { notFound, Problem, refuse } from '../../../core/problem.ts';

export interface DeviceInput {
	id: string;
	name: string;
	kind: DeviceKind;
	wrenchId: string | null;
}

/** Adds a device. Its token is told this once and kept only as a hash. */
export async function addDevice(
	db: Database,
	input: DeviceInput,
	token = randomBytes(24).toString('base64url')
): Promise<{ id: string; token: string }> {
	if (input.wrenchId !== null && !(await findWrench(db, input.wrenchId))) {
		throw refuse('wrenchId', 'is not a wrench of this shop', input.wrenchId);
	}
	if (input.kind !== 'wrench' && input.wrenchId !== null) {
		throw refuse('wrenchId', 'only a wrench is one of the rack', input.wrenchId);
	}
	try {
		await insertDevice(db, { ...input, tokenHash: tokenHash(token).toString('hex') });
	} catch (error) {
		if (isDuplicate(error, 'devices_name'))
			throw refuse('name', 'is already the name of another device', input.name);
		throw error;
	}
	return { id: input.id, token };
}

export async function changeDevice(db: Database, id: string, active: boolean): Promise<void> {
	if (!(await findDevice(db, id))) throw notFound('device');
	await setDeviceActive(db, id, active);
}

export interface TaskInput {
	jobId: string;
	kind: TaskKind;
	jointId?: string;
	action?: number;
	carState?: CarState;
	method?: LoadMethod;
	hubToArch?: Quantity;
	loosenedFirst?: boolean;
	aheadReason?: string;
	corner?: Corner;
	phase?: Phase;
}

const measures: Readonly<Record<DeviceKind, readonly TaskKind[]>> = {
	wrench: ['torque'],
	'height-gauge': ['height', 'loading'],
	'wheel-scales': ['loads']
};

/** Asks a device for its next reading, or takes the task away. @returns the task as it is told to the device */
export async function giveTask(
	db: Database,
	deviceId: string,
	input: TaskInput | null,
	personId: string
): Promise<{ device: Device; task: DeviceTask | null }> {
	const device = await findDevice(db, deviceId);
	if (!device?.active) throw notFound('device');
	const asked = input && (await taskFrom(db, device, input, personId));
	// The same question again keeps its id: a reading on its way still answers it.
	const task = asked && sameTask(asked, device.task) ? { ...asked, id: device.task!.id } : asked;
	await setTask(db, deviceId, task);
	return { device, task };
}

const sameTask = (asked: DeviceTask, current: DeviceTask | null): boolean =>
	isDeepStrictEqual(asked, current && { ...current, id: asked.id, askedAt: asked.askedAt });

async function taskFrom(
	db: Database,
	device: Device,
	input: TaskInput,
	personId: string
): Promise<DeviceTask> {
	if (!measures[device.kind].includes(input.kind)) {
		throw refuse(
			'kind',
			`${device.name} measures ${measures[device.kind].join(' or ')}`,
			input.kind
		);
	}
	const { record: job } = await readJob(db, input.jobId);
	if (job.signedAt) throw new Problem(409, 'This job is signed; its record is closed.');
	const { plate } = job.vehicle;
	const askedAt = new Date().toISOString();
	const common = { id: uuidv7(), jobId: job.id, personId, askedAt };
	const where = input.corner ? cornerNames[input.corner].toLowerCase() : '';
	if (input.kind === 'loads') return { ...common, kind: 'loads', label: `${plate}, four wheels` };
	if (input.kind === 'height') {
		const label = `${plate}, ${where}, height ${input.phase}`;
		return { ...common, kind: 'height', corner: input.corner!, phase: input.phase!, label };
	}
	if (input.kind === 'loading') {
		const label = `${plate}, ${where}, loaded`;
		return { ...common, kind: 'loading', corner: input.corner!, method: input.method!, label };
	}
	const joint = job.joints.find(({ id }) => id === input.jointId);
	if (!joint) throw refuse('jointId', 'is not a joint of this job', input.jointId);
	const list = actionsOf(atWork(joint));
	const action = list[input.action!];
	if (!action) {
		throw refuse('action', `${joint.name} has ${list.length} steps, counted from 0`, input.action);
	}
	return {
		...common,
		kind: 'torque',
		label: `${plate}, ${cornerNames[joint.corner].toLowerCase()}, ${joint.name}`,
		jointId: joint.id,
		action: input.action!,
		carState: input.carState!,
		method: input.method ?? null,
		hubToArchMm: input.hubToArch?.si ?? null,
		...(input.loosenedFirst !== undefined && { loosenedFirst: input.loosenedFirst }),
		...(input.aheadReason && { aheadReason: input.aheadReason }),
		targetNm: action.torqueNm ?? null,
		prevailingNm: joint.programme?.prevailingNm ?? null,
		angleDeg: action.angleDeg ?? null
	};
}
