import { listTimedSteps } from './db/work.ts';
import { deleteSlot, findSlot, listSlots, putSlot, slotsInTheWay, type Slot } from './db/bays.ts';
import { findJob, lockJob, searchJobIds } from './db/jobs.ts';
import type { Database } from './db/pool.ts';
import type { Shop } from './db/shop.ts';
import { timedCar } from '../../core/schedule/cars.ts';
import { expectedMinutes, type TimedCar } from '../../core/schedule/timeline.ts';
import { soakNeeded } from '../../core/work/scope.ts';
import type { JobRecord } from '../../core/job/model.ts';
import { viewWork } from '../../core/job/work.ts';
import { loadJob } from './jobs/load.ts';
import { notFound, Problem, refuse } from './problem.ts';

export interface SlotInput {
	bay: number;
	startsAt: string;
	minutes: number;
	/** Of the slot it changes; 0 for a new one. */
	version: number;
}
export type SlotOfJob = SlotInput & { jobId: string };

/** Puts a car into a bay. Refused where another stands, or where somebody else moved it meanwhile. */
export async function placeSlot(
	db: Database,
	jobId: string,
	input: SlotInput,
	shop: Pick<Shop, 'bays'>
): Promise<Slot> {
	const [slot] = await placeSlots(db, [{ jobId, ...input }], shop);
	return slot!;
}

/** Puts several cars into their bays, all or none; they may change places with each other. */
export function placeSlots(
	db: Database,
	inputs: readonly SlotOfJob[],
	shop: Pick<Shop, 'bays'>
): Promise<Slot[]> {
	const field = (i: number, name: string) => (inputs.length > 1 ? `slots.${i}.${name}` : name);
	return db.transaction(async (tx) => {
		// In one order for all, so that two who move the same cars do not wait for each other.
		for (const { jobId } of [...inputs].sort((a, b) => a.jobId.localeCompare(b.jobId))) {
			const job = await lockJob(tx, jobId);
			if (!job) throw notFound('job');
			if (job.signedAt) throw new Problem(409, 'This job is signed; it needs no bay any more.');
		}
		for (const [i, { jobId, bay, version }] of inputs.entries()) {
			if (bay >= shop.bays) throw refuse(field(i, 'bay'), `there are ${shop.bays} bays`, bay + 1);
			const now = await findSlot(tx, jobId);
			if ((now?.version ?? 0) !== version) {
				throw new Problem(409, 'Someone else moved this car meanwhile. Look again.', [], {
					currentVersion: now?.version ?? 0
				});
			}
		}
		const slots: Slot[] = [];
		const moved = inputs.map(({ jobId }) => jobId);
		for (const [i, input] of inputs.entries()) {
			const slot: Slot = { ...input, version: input.version + 1 };
			const waiting = moved.slice(i + 1);
			const others = await slotsInTheWay(tx, slot);
			const other = others.find(({ jobId }) => !waiting.includes(jobId));
			if (other) {
				const there = await findJob(tx, other.jobId);
				throw refuse(
					field(i, 'startsAt'),
					`bay ${input.bay + 1} is taken then by job ${there!.number}`,
					input.startsAt
				);
			}
			await putSlot(tx, slot);
			slots.push(slot);
		}
		return slots;
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

/** A car of a day, with what is left to do on it. */
export interface DayJob extends BayJob {
	slot: Slot;
	/** Null where nothing is planned yet. */
	car: TimedCar | null;
}

type Limits = Pick<Shop, 'twistSetDeg' | 'twistAdvisedDeg'>;

/** Slots of a span, and every open job with what its order of work asks for. */
export async function bayPlan(db: Database, shop: Limits, from: Date, to: Date): Promise<BayJob[]> {
	const slots = await listSlots(db, from, to);
	const ids = await searchJobIds(db, { search: '' }, 100);
	const look = await looker(db, shop);
	const all = await Promise.all(
		[...new Set([...ids, ...slots.map(({ jobId }) => jobId)])].map(async (id) => {
			const slot = slots.find(({ jobId }) => jobId === id) ?? null;
			const { record, soakHours, planned } = await look(id);
			if (record.signedAt && !slot) return [];
			return [
				{
					...named(record),
					soakHours,
					minutes: planned && Math.round(expectedMinutes(planned)),
					slot: slot ?? (await findSlot(db, id)) ?? null
				}
			];
		})
	);
	return all.flat();
}

/** The open jobs whose cars come into a bay in a span, in that order, with the steps left to do. */
export async function dayPlan(db: Database, shop: Limits, from: Date, to: Date): Promise<DayJob[]> {
	const slots = (await listSlots(db, from, to)).filter(
		({ startsAt }) => new Date(startsAt) >= from
	);
	const look = await looker(db, shop);
	const all = await Promise.all(
		slots.map(async (slot) => {
			const { record, soakHours, planned, left } = await look(slot.jobId);
			if (record.signedAt) return [];
			const minutes = left && Math.round(expectedMinutes(left));
			return [{ ...named(record), soakHours, minutes, slot, car: planned && left }];
		})
	);
	return all.flat();
}

const named = ({ id, number, vehicle, complaint }: JobRecord) => ({
	id,
	number,
	plate: vehicle.plate,
	complaint
});

/** Looks up a job and makes of its order of work what the scheduler takes. */
async function looker(db: Database, shop: Limits) {
	const timed = await listTimedSteps(db);
	const limits = { setDeg: shop.twistSetDeg, advisedDeg: shop.twistAdvisedDeg };
	return async (id: string) => {
		const record = await loadJob(db, id);
		const { order, minutes, scope, done } = viewWork(record, limits, timed);
		const car = (without?: ReadonlySet<string>) =>
			order.steps.length ? timedCar(id, order, minutes, scope.strategy.people, without) : null;
		return { record, soakHours: soakNeeded(scope.rust), planned: car(), left: car(done) };
	};
}
