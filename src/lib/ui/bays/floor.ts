/** The floor as its page moves cars on it: between moments of the server and minutes of the queues. */
import { slotStepMin } from '$core/schedule/bays';
import { queueOf, type Queued } from '$core/schedule/queue';
import type { FloorJob } from '$lib/bays/model';
import { addDays, constructFrom, differenceInCalendarDays } from 'date-fns';

/** Minutes where nothing is planned yet; own choice. */
const unknownMinutes = 120;

/** How long a car's block is: what is left of its work, in quarters of an hour. */
export const blockMinutes = ({ minutes }: Pick<FloorJob, 'minutes'>): number =>
	Math.max(slotStepMin, Math.ceil((minutes ?? unknownMinutes) / slotStepMin) * slotStepMin);

const dayMin = 24 * 60;

/**
 * Minutes of a queue: by the shop's clock, so that eight o'clock is eight o'clock also behind the night in which
 * the clock is changed.
 *
 * @param monday midnight of the shop's week that they are counted from, in the shop's time zone
 */
export function minutesFrom(monday: Date, at: Date | string): number {
	const there = constructFrom(monday, at);
	const days = differenceInCalendarDays(there, monday);
	return days * dayMin + there.getHours() * 60 + there.getMinutes();
}

/** @param monday midnight of the shop's week that minutes are counted from */
export function queuedOf({ id, slot }: FloorJob, monday: Date): Queued | undefined {
	if (!slot) return undefined;
	const { bay, startsAt, minutes, comesAt } = slot;
	return {
		id,
		bay,
		minutes,
		startMin: minutesFrom(monday, startsAt),
		...(comesAt && { comesMin: minutesFrom(monday, comesAt) })
	};
}

/** Minutes of a queue as a moment, in the zone of its Monday. */
export function dateOf(minutes: number, monday: Date): Date {
	const at = addDays(monday, Math.floor(minutes / dayMin));
	at.setHours(0, ((minutes % dayMin) + dayMin) % dayMin);
	return at;
}

const momentOf = (minutes: number, monday: Date): string =>
	new Date(dateOf(minutes, monday).getTime()).toISOString();

/** What the server is told of changed places. */
export const placesOf = (changed: readonly Queued[], jobs: readonly FloorJob[], monday: Date) =>
	changed.map(({ id, bay, startMin, minutes, comesMin }) => ({
		jobId: id,
		bay,
		minutes,
		startsAt: momentOf(startMin, monday),
		comesAt: comesMin === undefined ? null : momentOf(comesMin, monday),
		version: jobs.find((job) => job.id === id)?.slot?.version ?? 0
	}));

export interface QueueEntry {
	job: FloorJob;
	slot: Queued;
	/** Minutes that the bay stands empty before it, nights and weekends left out. */
	gapMin: number;
	/** The first of its day: the day is said above it. */
	newDay: boolean;
}

/** A bay's queue as it is drawn: the car in the bay first, if its time has come. */
export function entriesOf(
	jobs: readonly FloorJob[],
	slots: readonly Queued[],
	bay: number,
	nowMin: number
): { inside: QueueEntry | undefined; behind: QueueEntry[] } {
	const dayOf = (minutes: number) => Math.floor(minutes / 1440);
	let last = { end: nowMin, day: dayOf(nowMin) };
	const entries = queueOf(slots, bay).map((slot): QueueEntry => {
		const day = dayOf(slot.startMin);
		const gapMin = day === last.day ? Math.max(0, slot.startMin - last.end) : 0;
		const entry = {
			job: jobs.find(({ id }) => id === slot.id)!,
			slot,
			gapMin,
			newDay: day !== last.day
		};
		last = { end: Math.max(last.end, slot.startMin + slot.minutes), day };
		return entry;
	});
	const [first, ...more] = entries;
	return first && first.slot.startMin <= nowMin
		? { inside: first, behind: more }
		: { inside: undefined, behind: entries };
}
