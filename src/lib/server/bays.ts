import { listTimedSteps } from './db/work.ts';
import { deleteSlot, findSlot, listSlots, putSlot, slotsInTheWay, type Slot } from './db/bays.ts';
import { findJob, lockJob, searchJobIds } from './db/jobs.ts';
import type { Database } from './db/pool.ts';
import type { Shop } from './db/shop.ts';
import { meanMinutes } from '../../core/work/minutes.ts';
import { soakNeeded } from '../../core/work/scope.ts';
import { viewWork } from '../job/work.ts';
import { loadJob } from './jobs/load.ts';
import { notFound, Problem, refuse } from './problem.ts';

export interface SlotInput {
	bay: number;
	startsAt: string;
	minutes: number;
	/** Of the slot it changes; 0 for a new one. */
	version: number;
}

/** Puts a car into a bay. Refused where another stands, or where somebody else moved it meanwhile. */
export function placeSlot(
	db: Database,
	jobId: string,
	input: SlotInput,
	shop: Pick<Shop, 'bays'>
): Promise<Slot> {
	return db.transaction(async (tx) => {
		const job = await lockJob(tx, jobId);
		if (!job) throw notFound('job');
		if (job.signedAt) throw new Problem(409, 'This job is signed; it needs no bay any more.');
		if (input.bay >= shop.bays) {
			throw refuse('bay', `there are ${shop.bays} bays`, input.bay + 1);
		}
		const now = await findSlot(tx, jobId);
		if ((now?.version ?? 0) !== input.version) {
			throw new Problem(409, 'Someone else moved this car meanwhile. Look again.', [], {
				currentVersion: now?.version ?? 0
			});
		}
		const slot: Slot = { jobId, ...input, version: input.version + 1 };
		const [other] = await slotsInTheWay(tx, slot);
		if (other) {
			const there = await findJob(tx, other.jobId);
			throw refuse(
				'startsAt',
				`bay ${input.bay + 1} is taken then by job ${there!.number}`,
				input.startsAt
			);
		}
		await putSlot(tx, slot);
		return slot;
	});
}

export async function clearSlot(db: Database, jobId: string): Promise<void> {
	await deleteSlot(db, jobId);
}

/** A job as the plan of the bays shows it. */
export interface BayJob {
	id: string;
	number: string;
	plate: string;
	complaint: string;
	/** Expected minutes from its order of work; null where nothing is planned yet. */
	minutes: number | null;
	/** Hours of soak before it. */
	soakHours: number;
	slot: Slot | null;
}

/** Slots of a span, and every open job with what its order of work asks for. */
export async function bayPlan(
	db: Database,
	shop: Pick<Shop, 'twistSetDeg' | 'twistAdvisedDeg'>,
	from: Date,
	to: Date
): Promise<BayJob[]> {
	const slots = await listSlots(db, from, to);
	const ids = await searchJobIds(db, { search: '' }, 100);
	const timed = await listTimedSteps(db);
	const limits = { setDeg: shop.twistSetDeg, advisedDeg: shop.twistAdvisedDeg };
	const all = await Promise.all(
		[...new Set([...ids, ...slots.map(({ jobId }) => jobId)])].map(async (id) => {
			const record = await loadJob(db, id);
			const slot = slots.find(({ jobId }) => jobId === id) ?? null;
			if (record.signedAt && !slot) return [];
			const work = viewWork(record, limits, timed);
			const mean = work.order.steps.reduce(
				(sum, step) => sum + meanMinutes(work.minutes.get(step.id)!),
				0
			);
			// Two people do not halve it: some steps wait. Common practice, no source.
			const minutes = work.scope.strategy.people === 2 ? 0.62 * mean : mean;
			return [
				{
					id,
					number: record.number,
					plate: record.vehicle.plate,
					complaint: record.complaint,
					minutes: work.order.steps.length ? Math.round(minutes) : null,
					soakHours: soakNeeded(work.scope.rust),
					slot: slot ?? (await findSlot(db, id)) ?? null
				}
			];
		})
	);
	return all.flat();
}
