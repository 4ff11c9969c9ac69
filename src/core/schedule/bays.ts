/** The week of the bays: which car stands where and when, in minutes since Monday midnight, local time. */

export interface BaySlot {
	id: string;
	/** From 0. */
	bay: number;
	startMin: number;
	minutes: number;
}

/** When a shop works: own choice, Monday to Friday from eight to five. */
export const workingWeek = { days: 5, fromMin: 8 * 60, toMin: 17 * 60 } as const;
const dayMin = 24 * 60;
/** Slots stand on quarters of an hour. */
export const slotStepMin = 15;

const overlap = (a: BaySlot, b: BaySlot) =>
	a.bay === b.bay && a.startMin < b.startMin + b.minutes && b.startMin < a.startMin + a.minutes;

/** The slot that is in the way of another; undefined where its place is free. */
export const clash = (slots: readonly BaySlot[], slot: BaySlot): BaySlot | undefined =>
	slots.find((other) => other.id !== slot.id && overlap(other, slot));

/**
 * The first free place for a job: inside a working day where it fits into one, else from the morning of a
 * day on.
 *
 * @returns undefined where nothing is free in four weeks
 */
export function firstGap(
	slots: readonly BaySlot[],
	job: { id: string; minutes: number },
	bays: number,
	notBeforeMin: number
): BaySlot | undefined {
	const { days, fromMin, toMin } = workingWeek;
	for (let day = Math.max(0, Math.floor(notBeforeMin / dayMin)); day < 28; day++) {
		if (day % 7 >= days) continue;
		const [opens, closes] = [day * dayMin + fromMin, day * dayMin + toMin];
		const first = Math.ceil(Math.max(opens, notBeforeMin) / slotStepMin) * slotStepMin;
		const last = job.minutes > toMin - fromMin ? opens : closes - job.minutes;
		for (let startMin = first; startMin <= last; startMin += slotStepMin) {
			for (let bay = 0; bay < bays; bay++) {
				const slot = { ...job, bay, startMin };
				if (!clash(slots, slot)) return slot;
			}
		}
	}
	return undefined;
}
