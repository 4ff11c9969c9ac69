/** Goes along the books of jobs and the seals in them. */
import { listJobs } from '../db/jobs.ts';
import type { Database } from '../db/pool.ts';
import { readJob } from '../jobs/book.ts';
import { proveBook } from './chain.ts';
import { knownSigners } from './signers.ts';
import { proveSeals } from './verify.ts';

export interface BookProof {
	number: string;
	holds: boolean;
	/** For people. */
	words: string;
}

/** One job after the other, each read when its turn comes. @param numbers of jobs; none: all */
export async function* proveBooks(
	db: Database,
	numbers: readonly string[] = []
): AsyncGenerator<BookProof> {
	const signers = await knownSigners(db);
	for (const { id, number } of await listJobs(db, numbers)) {
		const { record, entries } = await readJob(db, id);
		const proof = proveBook(record);
		const seals = proveSeals(id, entries, signers);
		const bad = seals.find(({ holds }) => !holds);
		const sealed = seals.length
			? `, ${seals.length === 1 ? 'sealed' : `${seals.length} seals`}`
			: '';
		const words = proof.broken
			? `BROKEN at ${proof.broken.seq}: ${proof.broken.words}`
			: bad
				? `BROKEN: the seal on entry ${bad.seq} ${bad.words}`
				: `holds, ${proof.entries} entries${sealed}, head ${proof.head?.slice(0, 16) ?? 'none'}`;
		yield { number, holds: proof.holds && !bad, words };
	}
}
