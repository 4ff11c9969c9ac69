import { actionsOf, missedBy } from '../../../core/fastener/joint-programme.ts';
import type { Action } from '../../../core/fastener/programme.ts';
import { wrenchFor, type RackWrench } from '../../../core/fastener/rack.ts';
import {
	sightNames,
	sightsFor,
	type CarState,
	type LoadMethod,
	type Sight
} from '../../../core/procedure/facts.ts';
import type { Quantity } from '../../../core/units/parse.ts';
import { atWork } from '../../../core/job/joints.ts';
import type { Joint, Torque } from '../../../core/job/model.ts';
import { judgeBush } from '../../../core/job/view.ts';
import { appendTorque, findTorque, listJoints, listTorques } from '../db/joints.ts';
import { findPerson } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { findShop } from '../db/shop.ts';
import { findWrench } from '../db/wrenches.ts';
import { invalid, Problem, refuse } from '../problem.ts';
import { linkRow } from '../proof/chain.ts';
import { holdOpenJob } from './change.ts';
import { withUnit } from './heights.ts';
import { loadJob } from './load.ts';

export interface NewTorque {
	id: string;
	jointId: string;
	/** Step of the joint's programme, from 0. */
	action: number;
	torque?: Quantity;
	angle?: Quantity;
	seen?: Sight;
	skipReason?: string;
	withdraw?: boolean;
	wrench: string;
	wrenchId?: string;
	overrideReason?: string;
	carState: CarState;
	method?: LoadMethod;
	hubToArch?: Quantity;
	correctsId?: string;
	/** The newest row of this joint that the writer had seen; null: none. Left out: not asked. */
	lastSeenId?: string | null;
	takenAt: string;
}

/**
 * Adds a torque to the record, with the state of the car it was done in. A bonded bush tightened
 * loaded is judged by the bush computation against the target, and the answer is kept with the row.
 */
export function addTorque(
	db: Database,
	jobId: string,
	input: NewTorque,
	personId: string,
	deviceReadingId: string | null = null
): Promise<Torque> {
	return db.transaction(async (tx) => {
		await holdOpenJob(tx, jobId);
		const earlier = await findTorque(tx, input.id);
		if (earlier) {
			if (earlier.jobId !== jobId) throw new Problem(409, 'That torque belongs to another job.');
			return earlier.torque;
		}
		const joint = await checkJoint(tx, jobId, input);
		checkStep(joint, input);
		const judged = await checkBush(tx, jobId, joint, input);
		const held = await checkWrench(tx, joint, input);
		const torque: Torque = {
			id: input.id,
			jointId: input.jointId,
			action: input.action,
			torqueNm: input.torque?.si ?? null,
			angleDeg: input.angle?.si ?? null,
			entered: enteredText(input),
			seen: input.seen ?? null,
			skipReason: input.skipReason ?? null,
			wrench: held?.name ?? input.wrench,
			wrenchId: held?.id ?? null,
			settingNm: held?.settingNm ?? null,
			overrideReason: input.overrideReason ?? null,
			deviceReadingId,
			carState: input.carState,
			method: input.method ?? null,
			hubToArchMm: input.hubToArch?.si ?? null,
			hubToArchEntered: input.hubToArch ? withUnit(input.hubToArch) : null,
			targetHubToArchMm: judged?.targetHubToArchMm ?? null,
			bush: judged?.bush ?? null,
			correctsId: input.correctsId ?? null,
			withdrawn: input.withdraw ?? false,
			personId,
			takenAt: input.takenAt
		};
		await appendTorque(tx, jobId, torque);
		await linkRow(tx, jobId, 'torque', torque.id);
		return torque;
	});
}

function enteredText({ torque, angle, seen, skipReason }: NewTorque): string {
	const numbers = [torque, angle].filter((q) => q !== undefined).map(withUnit);
	if (numbers.length) return numbers.join(', ');
	return seen ?? (skipReason === undefined ? 'withdrawn' : 'passed over');
}

async function checkJoint(tx: Database, jobId: string, input: NewTorque): Promise<Joint> {
	const joint = (await listJoints(tx, jobId)).find((j) => j.id === input.jointId);
	if (!joint) throw refuse('jointId', 'is not a joint of this job', input.jointId);
	const rows = await listTorques(tx, jobId, joint.id);
	const corrected = input.correctsId && rows.find((row) => row.id === input.correctsId);
	if (input.correctsId && !corrected) {
		throw refuse('correctsId', 'is not a torque of this joint', input.correctsId);
	}
	if (corrected && !input.withdraw && corrected.action !== input.action) {
		throw refuse('action', `corrects step ${corrected.action}, so it is that step`, input.action);
	}
	const newest = rows[rows.length - 1];
	if (input.lastSeenId !== undefined && newest && newest.id !== input.lastSeenId) {
		const who = (await findPerson(tx, newest.personId))?.name ?? 'Somebody';
		throw new Problem(
			409,
			`${who} has recorded ${joint.name} meanwhile: ${newest.seen ? sightNames[newest.seen] : newest.entered}. Look before it is done twice.`
		);
	}
	return joint;
}

/** What is recorded must be what this step of the programme asks. */
function checkStep(joint: Joint, input: NewTorque): void {
	if (input.withdraw || input.skipReason !== undefined) return;
	const list = actionsOf(atWork(joint));
	const action = list[input.action];
	if (!action) {
		throw refuse(
			'action',
			`${joint.name} has ${list.length} ${list.length === 1 ? 'step' : 'steps'}, counted from 0`,
			input.action
		);
	}
	const { seen } = input;
	if (seen && !sightsFor(joint.kind, input.carState).includes(seen)) {
		throw refuse(
			'seen',
			`${joint.name} is recorded by its torque here; only a cushion mount is recorded as seen, and a bush as hand-tight while hanging`,
			seen
		);
	}
	const { cushionTo } = joint.programme ?? {};
	if (joint.kind === 'cushion' && cushionTo && seen && seen !== cushionTo) {
		throw refuse('seen', `${joint.name} goes ${sightNames[cushionTo].toLowerCase()}`, seen);
	}
	if (seen) return;
	const turned = action.kind === 'angle' || action.kind === 'slacken';
	if (turned && !input.angle) {
		throw refuse('angle', `step ${input.action + 1} of ${joint.name} is turned by an angle`);
	}
	if (!turned && !input.torque) {
		throw refuse('torque', `step ${input.action + 1} of ${joint.name} ends at a torque`);
	}
	if (action.kind === 'castle') checkCastle(joint, action, input.torque!);
}

/** Past its high limit a castle nut is not kept: never back, so another nut or washer. */
function checkCastle(joint: Joint, action: Action, torque: Quantity): void {
	if (missedBy(atWork(joint), action, { torqueNm: torque.si })?.way !== 'over') return;
	throw refuse(
		'torque',
		`is above the high limit of ${joint.programme!.castle!.highNm} N·m: another nut or washer, never back to a slot`,
		withUnit(torque)
	);
}

/** A wrench of the rack that is out of range or out of date is refused unless somebody says why. */
async function checkWrench(
	db: Database,
	joint: Joint,
	input: NewTorque
): Promise<{ id: string; name: string; settingNm: number | null } | undefined> {
	if (!input.wrenchId) return undefined;
	const wrench = await findWrench(db, input.wrenchId);
	if (!wrench) throw refuse('wrenchId', 'is not a wrench of this shop', input.wrenchId);
	const { id, name } = wrench;
	const asked = actionsOf(atWork(joint))[input.action]?.torqueNm ?? input.torque?.si;
	if (asked === undefined) return { id, name, settingNm: null };
	const adapter = joint.programme?.adapter;
	const found = wrenchFor(
		wrench satisfies RackWrench,
		{ torqueNm: asked, adapter },
		input.takenAt.slice(0, 10)
	);
	if (found.ok) return { id, name, settingNm: adapter ? found.value.settingNm : null };
	if (input.overrideReason) return { id, name, settingNm: null };
	throw invalid(
		found.faults.map((fault) => ({
			...fault,
			field: 'wrenchId',
			message: `${name} ${fault.message}: take another, or say why it is used all the same`
		}))
	);
}

/** Judges the bush where there is one to judge. */
async function checkBush(
	tx: Database,
	jobId: string,
	joint: Joint,
	input: NewTorque
): Promise<{ targetHubToArchMm: number; bush: Torque['bush'] } | undefined> {
	if (input.withdraw || input.skipReason !== undefined) return undefined;
	if (joint.kind !== 'bonded-bush' || input.carState !== 'loaded') return undefined;
	if (!input.hubToArch) {
		throw refuse(
			'hubToArch',
			'read hub to arch at this corner first: a bush is only set at a known height'
		);
	}
	const record = await loadJob(tx, jobId);
	const shop = (await findShop(tx))!;
	const limits = { setDeg: shop.twistSetDeg, advisedDeg: shop.twistAdvisedDeg };
	const judged = judgeBush(record, joint.corner, input.hubToArch.si, limits, joint.place);
	if (!judged.ok) {
		throw invalid(judged.faults.map((fault) => ({ ...fault, field: 'hubToArch' })));
	}
	const { targetHubToArchMm, ...bush } = judged.value;
	return { targetHubToArchMm, bush };
}
