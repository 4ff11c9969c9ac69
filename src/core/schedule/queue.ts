/** Cars that wait for a bay, one behind the other: a car that is put between others pushes them, never pulls. */
import { slotStepMin, workingWeek, type BaySlot } from './bays.ts';

export interface Queued extends BaySlot {
	/** Not here before, minutes of the same count; undefined: it stands in the yard. */
	comesMin?: number;
}

const dayMin = 24 * 60;
const up = (minutes: number): number => Math.ceil(minutes / slotStepMin) * slotStepMin;

/** The first moment from `fromMin` on at which a job of so many minutes may begin in the working week. */
export function opening(fromMin: number, minutes: number): number {
	const { days, fromMin: opens, toMin: closes } = workingWeek;
	const whole = minutes > closes - opens;
	for (let day = Math.floor(fromMin / dayMin); ; day++) {
		if (((day % 7) + 7) % 7 >= days) continue;
		const start = Math.max(day * dayMin + opens, up(fromMin));
		const last = day * dayMin + (whole ? opens : closes - minutes);
		if (start <= last) return start;
	}
}

/** Cars of one bay in their order. */
export const queueOf = (slots: readonly Queued[], bay: number): Queued[] =>
	slots.filter((slot) => slot.bay === bay).sort((a, b) => a.startMin - b.startMin);

/**
 * Puts a car into a bay's queue behind the first `index` cars that stand there (itself left out), and pushes
 * those behind it as far as it takes.
 *
 * @param nowMin nothing begins before
 * @returns the slots that change, the moved car's first
 */
export function insert(
	slots: readonly Queued[],
	job: Omit<Queued, 'bay' | 'startMin'>,
	to: { bay: number; index: number },
	nowMin: number
): Queued[] {
	const queue = queueOf(
		slots.filter(({ id }) => id !== job.id),
		to.bay
	);
	const ahead = queue.slice(0, to.index);
	const before = ahead.at(-1);
	const free = Math.max(nowMin, before ? before.startMin + before.minutes : nowMin);
	const startMin = opening(Math.max(free, job.comesMin ?? 0), job.minutes);
	const moved: Queued = { ...job, bay: to.bay, startMin };
	return [moved, ...pushed(queue.slice(to.index), startMin + job.minutes)];
}

/** Those that have to begin later because the bay is free only from then on. */
function pushed(behind: readonly Queued[], freeMin: number): Queued[] {
	const changed: Queued[] = [];
	let free = freeMin;
	for (const slot of behind) {
		if (slot.startMin >= free) break;
		const startMin = opening(free, slot.minutes);
		changed.push({ ...slot, startMin });
		free = startMin + slot.minutes;
	}
	return changed;
}

/**
 * Moves every car of a bay forward as far as it goes: behind the one before it, not before it comes.
 *
 * @returns the slots that change
 */
export function closeGaps(slots: readonly Queued[], bay: number, nowMin: number): Queued[] {
	let free = nowMin;
	return queueOf(slots, bay).flatMap((slot) => {
		// What has begun stays where it is.
		if (slot.startMin <= nowMin) {
			free = Math.max(free, slot.startMin + slot.minutes);
			return [];
		}
		const earliest = opening(Math.max(free, slot.comesMin ?? 0), slot.minutes);
		const startMin = Math.min(slot.startMin, earliest);
		free = startMin + slot.minutes;
		return startMin === slot.startMin ? [] : [{ ...slot, startMin }];
	});
}
