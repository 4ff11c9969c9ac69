/** Two people who spoke of one thing without knowing of each other: both stay, and a person looks. */
import { kindOf } from '../kinds/index.ts';
import type { Look } from '../record.ts';
import type { Entry } from './entry.ts';

/**
 * What is to be looked at. It is settled by any later entry of somebody who had seen them all.
 *
 * What one tablet sends one after the other it knows, also before the numbers come back.
 */
export function looksOwed(entries: readonly Entry[]): Look[] {
	const open = new Map<string, Entry[]>();
	for (const entry of entries) {
		if (kindOf(entry.kind).counts !== 'last') continue;
		const key = `${entry.kind} ${entry.subject}`;
		const before = open.get(key) ?? [];
		const unseen = before.filter((other) => other.seq > entry.seen && !knew(entry, other));
		open.set(key, unseen.length && !same(unseen, entry) ? [...before, entry] : [entry]);
	}
	return [...open.values()]
		.filter((list) => list.length > 1)
		.map((list) => ({ kind: list[0]!.kind, subject: list[0]!.subject, entries: list }));
}

const knew = (entry: Entry, other: Entry): boolean =>
	entry.device === other.device && (entry.device !== null || entry.personId === other.personId);

const same = (others: readonly Entry[], entry: Entry): boolean =>
	others.every(({ data }) => JSON.stringify(data) === JSON.stringify(entry.data));
