/** What a book comes to: the job's record. */
import { corners } from '../../height/corners.ts';
import { kindOf } from '../kinds/index.ts';
import type { PersonName } from '../model.ts';
import type { JobRecord } from '../record.ts';
import { madeAt, type Entry } from './entry.ts';
import { looksOwed } from './looks.ts';

/** What is known of a job beside its book. */
export interface JobName {
	id: string;
	/** As this shop knows it: an imported job may have had another where it came from. */
	number: string;
	/** Everyone the book may name. */
	people: readonly PersonName[];
}

/**
 * Applies each entry in turn. The same entries give the same record, on the server, in the browser and
 * from a file.
 *
 * @param entries in their order, the first of them `opened`; none: a job that is about to be opened
 */
export function foldBook({ id, number, people }: JobName, entries: readonly Entry[]): JobRecord {
	const record = {
		id,
		number,
		signedAt: null,
		entries,
		looks: looksOwed(entries),
		seq: entries.at(-1)?.seq ?? 0,
		heightSets: {},
		offsets: {},
		readings: [],
		targets: [],
		joints: [],
		torques: [],
		hardware: {},
		accepted: {},
		onWheels: null,
		loadings: [],
		photos: [],
		signOff: null,
		signOffs: [],
		addendum: null,
		addenda: [],
		seals: [],
		imported: null,
		retorques: [],
		people: named(entries, people)
	} as unknown as JobRecord;
	for (const entry of entries) {
		kindOf(entry.kind).apply?.(record, { ...entry, enteredAt: madeAt(entry) } as Entry);
	}
	record.joints.sort(
		(a, b) =>
			corners.indexOf(a.corner) - corners.indexOf(b.corner) ||
			a.position - b.position ||
			(a.id < b.id ? -1 : 1)
	);
	return record;
}

/** Those of the people whom some entry names. */
function named(entries: readonly Entry[], people: readonly PersonName[]): PersonName[] {
	const ids = new Set<string | null>();
	for (const { personId, vouchedBy, data } of entries) {
		ids.add(personId);
		if (vouchedBy) ids.add(vouchedBy);
		if ('technicianId' in data) ids.add(data.technicianId);
	}
	return people.filter(({ id }) => ids.has(id)).map(({ id, name, role }) => ({ id, name, role }));
}
