import type { Corner } from '../../../core/height/corners.ts';
import type { Quantity } from '../../../core/units/parse.ts';
import type { Joint } from '../../../core/job/model.ts';
import { deleteJoint, insertJoint, listJoints, listTorques, updateJoint } from '../db/joints.ts';
import type { Database } from '../db/pool.ts';
import type { FollowingStep, JointProgramme } from '../../../core/fastener/joint-programme.ts';
import { notFound, refuse } from '../problem.ts';
import { changeJob } from './change.ts';
import { withUnit } from './heights.ts';

export interface JointInput {
	version: number;
	name?: string;
	kind?: Joint['kind'];
	rule?: Joint['rule'];
	torque?: Quantity | null | '';
	torqueSource?: Joint['torqueSource'];
	oneTime?: boolean;
	tool?: Joint['tool'];
	holdStud?: boolean;
	programme?: ProgrammeInput | null;
	thread?: Joint['thread'];
	loosened?: boolean;
	note?: string;
}

/** A programme as said; quantities with their units. */
interface ProgrammeInput {
	then?: {
		kind: 'angle' | 'slacken' | 'torque';
		angle?: Quantity;
		tolerance?: Quantity;
		torque?: Quantity;
	}[];
	castle?: { high: Quantity; slotDeg: 30 | 60 };
	cushionTo?: 'washer-edge' | 'shoulder';
	pattern?: JointProgramme['pattern'];
	prevailing?: Quantity;
	adapter?: { length: Quantity; angleDeg: number };
}

export interface NewJoint extends JointInput {
	id: string;
	corner: Corner;
	name: string;
	kind: Joint['kind'];
	rule: Joint['rule'];
}

export function addJoint(
	db: Database,
	jobId: string,
	input: NewJoint,
	personId: string
): Promise<{ version: number }> {
	return changeJob(db, { jobId, version: input.version, personId }, async (tx, job) => {
		if (!job.corners.includes(input.corner)) {
			throw refuse('corner', 'is not a corner this job works on', input.corner);
		}
		const existing = await listJoints(tx, jobId);
		const position = Math.max(-1, ...existing.map((joint) => joint.position)) + 1;
		const blank: Joint = {
			id: input.id,
			corner: input.corner,
			position,
			name: input.name,
			kind: input.kind,
			rule: input.rule,
			torqueNm: null,
			torqueEntered: null,
			torqueSource: null,
			oneTime: false,
			tool: 'run-down',
			holdStud: false,
			pairKey: null,
			programme: null,
			thread: null,
			place: null,
			loosened: true,
			note: ''
		};
		const joint = withInput(blank, input);
		await insertJoint(tx, jobId, joint);
		return `${input.corner}: joint ${joint.name} added`;
	});
}

export function changeJoint(
	db: Database,
	jobId: string,
	jointId: string,
	input: JointInput,
	personId: string
): Promise<{ version: number }> {
	return changeJob(db, { jobId, version: input.version, personId }, async (tx) => {
		const before = await jointOf(tx, jobId, jointId);
		const joint = withInput(before, input);
		await updateJoint(tx, joint);
		const torque =
			joint.torqueNm !== before.torqueNm ? `, torque ${joint.torqueEntered ?? 'none'}` : '';
		return `${joint.corner}: joint ${joint.name} changed${torque}`;
	});
}

export function removeJoint(
	db: Database,
	jobId: string,
	jointId: string,
	version: number,
	personId: string
): Promise<{ version: number }> {
	return changeJob(db, { jobId, version, personId }, async (tx) => {
		const joint = await jointOf(tx, jobId, jointId);
		const torques = await listTorques(tx, jobId);
		if (torques.some((torque) => torque.jointId === jointId)) {
			throw refuse('joint', 'has torques on record and stays in the job', joint.name);
		}
		await deleteJoint(tx, jointId);
		return `${joint.corner}: joint ${joint.name} removed`;
	});
}

async function jointOf(db: Database, jobId: string, jointId: string): Promise<Joint> {
	const joint = (await listJoints(db, jobId)).find((j) => j.id === jointId);
	if (!joint) throw notFound('joint in this job');
	return joint;
}

function withInput(joint: Joint, input: JointInput): Joint {
	const next: Joint = {
		...joint,
		name: input.name ?? joint.name,
		kind: input.kind ?? joint.kind,
		rule: input.rule ?? joint.rule,
		oneTime: input.oneTime ?? joint.oneTime,
		tool: input.tool ?? joint.tool,
		holdStud: input.holdStud ?? joint.holdStud,
		loosened: input.loosened ?? joint.loosened,
		thread: input.thread === undefined ? joint.thread : input.thread,
		programme: input.programme === undefined ? joint.programme : toProgramme(input.programme ?? {}),
		note: input.note ?? joint.note,
		torqueSource: input.torqueSource === undefined ? joint.torqueSource : input.torqueSource
	};
	if (input.torque !== undefined) {
		next.torqueNm = input.torque ? input.torque.si : null;
		next.torqueEntered = input.torque ? withUnit(input.torque) : null;
	}
	if (next.torqueNm === null) next.torqueSource = null;
	else if (!next.torqueSource) {
		throw refuse('torqueSource', 'say where the torque comes from: maker, shop or estimated');
	}
	const { castle, pattern } = next.programme ?? {};
	if (castle && next.torqueNm !== null && castle.highNm <= next.torqueNm) {
		throw refuse(
			'programme.castle.high',
			`must be more than the low limit (${next.torqueEntered})`,
			castle.highNm
		);
	}
	if (castle && pattern) {
		throw refuse('programme.pattern', 'a castle nut stands alone: no star');
	}
	if (next.thread && next.thread.pitchMm > next.thread.diameterMm / 4) {
		throw refuse(
			'thread.pitchMm',
			`is too coarse for M${next.thread.diameterMm}`,
			next.thread.pitchMm
		);
	}
	if (next.kind === 'bonded-bush' && next.rule !== 'ride-height') {
		throw refuse('rule', 'a bonded bush is always set at ride height', next.rule);
	}
	return next;
}

/** As it is kept: SI, and nothing at all where nothing was said. */
function toProgramme(input: ProgrammeInput): JointProgramme | null {
	const { then = [], castle, cushionTo, pattern, prevailing, adapter } = input;
	const made: JointProgramme = {
		...(then.length && { then: then.map(toStep) }),
		...(castle && { castle: { highNm: castle.high.si, slotDeg: castle.slotDeg } }),
		...(cushionTo && { cushionTo }),
		...(pattern && { pattern }),
		...(prevailing && { prevailingNm: prevailing.si }),
		...(adapter && { adapter: { lengthMm: adapter.length.si, angleDeg: adapter.angleDeg } })
	};
	return Object.keys(made).length ? made : null;
}

function toStep(step: NonNullable<ProgrammeInput['then']>[number]): FollowingStep {
	const { kind, angle, tolerance, torque } = step;
	if (kind === 'torque') return { kind, torqueNm: torque!.si };
	const angleDeg = angle!.si;
	return kind === 'slacken'
		? { kind, angleDeg }
		: { kind, angleDeg, ...(tolerance && { toleranceDeg: tolerance.si }) };
}
