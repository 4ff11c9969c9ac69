/** A promised time, and what stands against it. */
import { toDate } from 'date-fns';
import { formatHours } from '../units/format.ts';

export interface Promised {
	/** When the customer was told it would be ready; null: nobody has said. */
	promisedAt: string | null;
	/** Work that is left, minutes; null: nothing is planned. */
	minutesLeft: number | null;
	/** Parts that are not here. */
	partsWaiting: number;
	/** Its place in a bay; undefined: it has none. */
	slot?: { startsAt: string; minutes: number };
}

export interface Danger {
	/** late: its time is past; will-be: by what is known it cannot be kept; maybe: it waits for something. */
	grade: 'late' | 'will-be' | 'maybe';
	words: string;
}

/** Hours, or days where they are many. */
function span(minutes: number): string {
	const days = Math.round(minutes / 1440);
	return minutes < 2 * 1440 ? formatHours(minutes) : `${days} days`;
}

/**
 * What endangers a promise, the worst first; nothing where none was made or nothing stands against it.
 *
 * @param now milliseconds
 */
export function dangers(
	{ promisedAt, minutesLeft, partsWaiting, slot }: Promised,
	now: number
): Danger[] {
	if (promisedAt === null) return [];
	const until = (toDate(promisedAt).getTime() - now) / 60_000;
	const found: Danger[] = [];
	if (until < 0) {
		found.push({ grade: 'late', words: `promised ${span(-until)} ago` });
	} else if (minutesLeft !== null && minutesLeft > until) {
		found.push({
			grade: 'will-be',
			words: `${formatHours(minutesLeft)} of work left, ${span(until)} until then`
		});
	}
	if (slot && minutesLeft !== 0) {
		const end = toDate(slot.startsAt).getTime() + slot.minutes * 60_000;
		const over = (end - toDate(promisedAt).getTime()) / 60_000;
		if (over > 0) {
			found.push({ grade: 'will-be', words: `its bay ends ${span(over)} after it` });
		}
	}
	if (partsWaiting > 0) {
		const words = `${partsWaiting} ${partsWaiting === 1 ? 'part' : 'parts'} not here`;
		found.push({ grade: 'maybe', words });
	}
	if (!slot && minutesLeft) found.push({ grade: 'maybe', words: 'no bay yet' });
	return found;
}

export const deskLists = ['all', 'mine', 'late', 'parts', 'ready'] as const;
export type DeskList = (typeof deskLists)[number];

/** Which lists of the desk an open job belongs to. */
export function listsOf(
	job: { technicianId: string | null; partsWaiting: number; owed: number },
	found: readonly Danger[],
	personId: string | undefined
): Set<DeskList> {
	const lists = new Set<DeskList>(['all']);
	if (personId && job.technicianId === personId) lists.add('mine');
	if (found.some(({ grade }) => grade !== 'maybe')) lists.add('late');
	if (job.partsWaiting > 0) lists.add('parts');
	if (job.owed === 0) lists.add('ready');
	return lists;
}
