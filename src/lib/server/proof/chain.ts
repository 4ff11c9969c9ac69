/**
 * The book as a chain: the hash of an entry is the SHA-256 of the hash before it and of all the entry
 * says. An entry that was edited, removed or put in by another way than this program breaks the chain at
 * its place, and is named.
 */
import canonicalize from 'canonicalize';
import { createHash } from 'node:crypto';
import type { Entry, NewEntry } from '../../../core/job/book/entry.ts';
import { kindOf } from '../../../core/job/kinds/index.ts';
import type { Proof } from '../../../core/job/model.ts';
import type { JobRecord } from '../../../core/job/record.ts';

/** What stands before the first entry. */
const beginning = '0'.repeat(64);

/** SHA-256 of the hash before and of the entry in canonical JSON (RFC 8785). */
function entryHash(before: string, jobId: string, entry: Omit<Entry, 'hash'>): string {
	const { hash: _, ...said } = entry as Entry;
	const text = canonicalize({ jobId, ...said })!;
	return createHash('sha256').update(`${before}\n${text}`).digest('hex');
}

/** Goes along a book: that of a database, or one that came in a file. */
export function proveBook(record: Pick<JobRecord, 'id' | 'entries'> & JobRecord): Proof {
	const { id, entries } = record;
	const proof: Proof = { entries: entries.length, head: entries.at(-1)?.hash ?? null, holds: true };
	let before = beginning;
	for (const [i, entry] of entries.entries()) {
		const words = () => kindOf(entry.kind).words(entry.data, entry, record);
		if (entry.seq !== i + 1) return broken(i + 1, `before ${words()}: an entry was removed`);
		if (entryHash(before, id, entry) !== entry.hash) {
			return broken(entry.seq, `${words()} is not as it was written`);
		}
		before = entry.hash;
	}
	return proof;

	function broken(seq: number, words: string): Proof {
		return { ...proof, holds: false, broken: { seq, words } };
	}
}

/** Entries as they follow the last one: numbered, each with its hash. */
export function chained(
	jobId: string,
	last: Pick<Entry, 'seq' | 'hash'> | undefined,
	entries: readonly (NewEntry & { storedAt: string })[]
): Entry[] {
	let [seq, hash] = [last?.seq ?? 0, last?.hash ?? beginning];
	return entries.map((entry) => {
		const numbered = { ...entry, seq: ++seq } as Omit<Entry, 'hash'>;
		hash = entryHash(hash, jobId, numbered);
		return { ...numbered, hash } as Entry;
	});
}
