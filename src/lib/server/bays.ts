import {
	deleteSlot,
	findSlot,
	listOpenSlots,
	listSlots,
	putSlot,
	slotsInTheWay
} from './db/bays.ts';
import type { BayJob, DayJob, FloorJob, Slot } from '../bays/model.ts';
import { perCorner } from '../../core/height/corners.ts';
import { dangers } from '../../core/schedule/promise.ts';
import { listEntriesOf } from './db/entries.ts';
import { findJob, listLines, listLinesOf, lockJob } from './db/jobs.ts';
import type { Database } from './db/pool.ts';
import { listTimedKinds } from './db/projections.ts';
import type { Shop } from './db/shop.ts';
import { timedCar } from '../../core/schedule/cars.ts';
import { expectedMinutes } from '../../core/schedule/timeline.ts';
import { overallPace } from '../../core/work/minutes.ts';
import { Job } from '../../core/job/book/job.ts';
import { notFound, Problem, refuse } from '../../core/problem.ts';

export interface SlotInput {
	bay: number;
	startsAt: string;
	minutes: number;
	/** Of the slot it changes; 0 for a new one. */
	version: number;
	/** The car is not here before; null: it stands in the yard; left out: as it was. */
	comesAt?: string | null;
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
			const [line] = await listLinesOf(tx, [jobId]);
			if (line?.signedAt) {
				throw new Problem(409, 'This job is signed; it needs no bay any more.');
			}
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
			const comesAt =
				input.comesAt === undefined
					? ((await findSlot(tx, input.jobId))?.comesAt ?? null)
					: input.comesAt;
			const slot: Slot = { ...input, comesAt, version: input.version + 1 };
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

/** Slots of a span, and every open job with what its order of work asks for. */
export async function bayPlan(db: Database, from: Date, to: Date): Promise<BayJob[]> {
	const [inSpan, waiting, open, timed] = await Promise.all([
		listSlots(db, from, to),
		listOpenSlots(db),
		listLines(db, { closed: false }),
		listTimedKinds(db)
	]);
	const slots = new Map([...waiting, ...inSpan].map((slot) => [slot.jobId, slot]));
	const known = new Set(open.map(({ id }) => id));
	const closed = await listLinesOf(
		db,
		inSpan.map(({ jobId }) => jobId).filter((id) => !known.has(id))
	);
	const pace = overallPace(timed);
	return [...open, ...closed].map(({ id, number, plate, complaint, minutes, soakHours }) => ({
		id,
		number,
		plate,
		complaint,
		soakHours,
		minutes: minutes && Math.round(minutes * pace),
		slot: slots.get(id) ?? null
	}));
}

/** Every open job: where it stands in the bays, and what its order of work asks for. */
export async function floorPlan(db: Database, now: Date): Promise<FloorJob[]> {
	const [taken, open, timed] = await Promise.all([
		listOpenSlots(db),
		listLines(db, { closed: false }),
		listTimedKinds(db)
	]);
	const slots = new Map(taken.map((slot) => [slot.jobId, slot]));
	const pace = overallPace(timed);
	const jobs = open.map((line): FloorJob => {
		const { id, number, plate, complaint, minutesLeft, soakHours, stage, owed, promisedAt } = line;
		const slot = slots.get(id) ?? null;
		const minutes = minutesLeft && Math.round(minutesLeft * pace);
		const against = { ...line, minutesLeft: minutes, ...(slot && { slot }) };
		return {
			id,
			number,
			plate,
			complaint,
			minutes,
			soakHours,
			slot,
			stage,
			owed,
			promisedAt,
			dangers: dangers(against, now.getTime())
		};
	});
	const inside = standing(jobs, now);
	const books = await listEntriesOf(
		db,
		inside.map(({ id }) => id)
	);
	for (const job of inside) {
		const { record, view } = new Job({ ...job, people: [] }, books.get(job.id)!, timed);
		const { vehicle, corners } = record;
		const owed = perCorner(
			(corner) => view.standing.owed.filter((item) => item.corner === corner).length
		);
		job.car = { vehicle, corners, owed };
	}
	return jobs;
}

/** The first car of each bay whose time has come. */
function standing(jobs: readonly FloorJob[], now: Date): FloorJob[] {
	const begun = jobs
		.filter(({ slot }) => slot && new Date(slot.startsAt) <= now)
		.sort((a, b) => a.slot!.startsAt.localeCompare(b.slot!.startsAt));
	return [...new Map(begun.toReversed().map((job) => [job.slot!.bay, job])).values()];
}

/** The open jobs whose cars come into a bay in a span, in that order, with the steps left to do. */
export async function dayPlan(db: Database, from: Date, to: Date): Promise<DayJob[]> {
	const slots = (await listSlots(db, from, to)).filter(
		({ startsAt }) => new Date(startsAt) >= from
	);
	const ids = slots.map(({ jobId }) => jobId);
	const [lines, books, timed] = await Promise.all([
		listLinesOf(db, ids),
		listEntriesOf(db, ids),
		listTimedKinds(db)
	]);
	return slots.flatMap((slot): DayJob[] => {
		const line = lines.find(({ id }) => id === slot.jobId)!;
		const { id, number, plate, complaint, soakHours, signedAt } = line;
		if (signedAt) return [];
		const { order, minutes, scope, done } = new Job(
			{ id, number, people: [] },
			books.get(id)!,
			timed
		).work;
		const left = order.steps.length
			? timedCar(id, order, minutes, scope.strategy.people, done)
			: null;
		const expected = left && Math.round(expectedMinutes(left));
		const helpers = order.steps
			.filter(({ id: step, people }) => people && !done.has(step))
			.map(({ at, title }) => ({ at, title }));
		return [
			{ id, number, plate, complaint, soakHours, minutes: expected, slot, car: left, helpers }
		];
	});
}
