import type { TwistLimits } from '../../../core/bush/verdict.ts';
import {
	sightsFor,
	type CarState,
	type LoadMethod,
	type Sight
} from '../../../core/procedure/facts.ts';
import type { Quantity } from '../../../core/units/parse.ts';
import type { JobRecord, Torque } from '../../job/model.ts';
import { judgeBush } from '../../job/view.ts';
import { appendTorque, findTorque } from '../db/joints.ts';
import type { Database } from '../db/pool.ts';
import { findShop } from '../db/shop.ts';
import { invalid, Problem, refuse } from '../problem.ts';
import { linkRow } from '../proof/chain.ts';
import { holdOpenJob } from './change.ts';
import { withUnit } from './heights.ts';
import { loadJob } from './load.ts';

export interface NewTorque {
	id: string;
	jointId: string;
	torque?: Quantity;
	seen?: Sight;
	withdraw?: boolean;
	wrench: string;
	carState: CarState;
	method?: LoadMethod;
	hubToArch?: Quantity;
	correctsId?: string;
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
	personId: string
): Promise<Torque> {
	return db.transaction(async (tx) => {
		await holdOpenJob(tx, jobId);
		const earlier = await findTorque(tx, input.id);
		if (earlier) {
			if (earlier.jobId !== jobId) throw new Problem(409, 'That torque belongs to another job.');
			return earlier.torque;
		}
		const record = await loadJob(tx, jobId);
		const shop = (await findShop(tx))!;
		const limits = { setDeg: shop.twistSetDeg, advisedDeg: shop.twistAdvisedDeg };
		const judged = check(record, input, limits);
		const torque: Torque = {
			id: input.id,
			jointId: input.jointId,
			torqueNm: input.torque?.si ?? null,
			entered: input.torque ? withUnit(input.torque) : (input.seen ?? 'withdrawn'),
			seen: input.seen ?? null,
			wrench: input.wrench,
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
		await linkRow(tx, jobId, torque.id);
		return torque;
	});
}

/** Refuses what does not belong together; judges the bush where there is one to judge. */
function check(
	record: JobRecord,
	input: NewTorque,
	limits: TwistLimits
): { targetHubToArchMm: number; bush: Torque['bush'] } | undefined {
	const joint = record.joints.find((j) => j.id === input.jointId);
	if (!joint) throw refuse('jointId', 'is not a joint of this job', input.jointId);
	if (input.correctsId) {
		const corrected = record.torques.find((t) => t.id === input.correctsId);
		if (corrected?.jointId !== joint.id) {
			throw refuse('correctsId', 'is not a torque of this joint', input.correctsId);
		}
	}
	if (input.withdraw) return undefined;
	if (input.seen && !sightsFor(joint.kind, input.carState).includes(input.seen)) {
		throw refuse(
			'seen',
			`${joint.name} is recorded by its torque here; only a cushion mount is recorded as seen, and a bush as hand-tight while hanging`,
			input.seen
		);
	}
	if (joint.kind !== 'bonded-bush' || input.carState !== 'loaded') return undefined;
	if (!input.hubToArch) {
		throw refuse(
			'hubToArch',
			'read hub to arch at this corner first: a bush is only set at a known height'
		);
	}
	const judged = judgeBush(record, joint.corner, input.hubToArch.si, limits);
	if (!judged.ok) {
		throw invalid(judged.faults.map((fault) => ({ ...fault, field: 'hubToArch' })));
	}
	const { targetHubToArchMm, ...bush } = judged.value;
	return { targetHubToArchMm, bush };
}
