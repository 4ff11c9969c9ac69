/** The square on a sealed sheet: a head and this shop's signature over it. */
import type { Entry } from '../../../core/job/book/entry.ts';
import { foldBook, type JobName } from '../../../core/job/book/fold.ts';
import type { Proof } from '../../../core/job/model.ts';
import { listEntries } from '../db/entries.ts';
import { findJob } from '../db/jobs.ts';
import { listSealKeys } from '../db/seals.ts';
import type { Database } from '../db/pool.ts';
import { proveBook } from './chain.ts';
import { signedBy } from './keys.ts';
import { statements } from './seal.ts';

export interface Mark {
	job: string;
	seq: number;
	head: string;
	signature: string;
}

/** What stands in the address; undefined where it is not whole. */
export function readMark(params: URLSearchParams): Mark | undefined {
	const [job, seq, head, signature] = ['job', 'seq', 'head', 'sig'].map(
		(name) => params.get(name) ?? ''
	) as [string, string, string, string];
	const whole =
		/^[0-9a-f-]{36}$/.test(job) &&
		/^\d{1,6}$/.test(seq) &&
		/^[0-9a-f]{64}$/.test(head) &&
		/^[A-Za-z0-9_-]{86}$/.test(signature);
	return whole ? { job, seq: Number(seq), head, signature } : undefined;
}

export interface MarkProof {
	/** This shop's key is over that head. */
	sealed: boolean;
	/** The key was retired since. */
	retired: boolean;
	number?: string;
	signedAt?: string;
	/** The book here still has that head, and holds up to it. */
	unchanged?: boolean;
	/** Something was added since and signed anew, or is being added. */
	addenda?: number;
}

/** @param prove goes along the book; here, where nobody else does */
export async function proveMark(
	db: Database,
	mark: Mark,
	prove: (name: JobName, entries: Entry[]) => Promise<Proof> | Proof = (name, entries) =>
		proveBook(foldBook(name, entries))
): Promise<MarkProof> {
	const { job: jobId, seq, head, signature } = mark;
	const statement = statements.seal(jobId, seq, head);
	const key = (await listSealKeys(db)).find(({ publicKey }) =>
		signedBy(publicKey, statement, signature)
	);
	if (!key) return { sealed: false, retired: false };
	const found = { sealed: true, retired: key.retiredAt !== null };
	const row = await findJob(db, jobId);
	if (!row) return found;
	const entries = await listEntries(db, jobId);
	const upTo = entries.slice(0, seq);
	const signed = upTo.at(-1);
	const { holds } = await prove({ ...row, people: [] }, upTo);
	return {
		...found,
		number: row.number,
		...(signed && { signedAt: signed.enteredAt }),
		unchanged: holds && signed?.hash === head,
		addenda: entries.filter(({ kind, seq: at }) => kind === 'addendum' && at > seq).length
	};
}
