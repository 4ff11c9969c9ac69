/** The one door through which a job's book grows: numbered, hashed, written with what lists need of it. */
import '../../../core/job/book/deciders.ts';
import { isDeepStrictEqual } from 'node:util';
import { v7 as uuidv7 } from 'uuid';
import type { Command, Context, Entry, NewEntry } from '../../../core/job/book/entry.ts';
import { Job } from '../../../core/job/book/job.ts';
import { kindOf } from '../../../core/job/kinds/index.ts';
import { findEntry, insertEntries, listEntries } from '../db/entries.ts';
import { findJob, lockJob, type JobRow } from '../db/jobs.ts';
import { listPeople, type Person } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { listWrenches } from '../db/wrenches.ts';
import { notFound, refuse } from '../../../core/problem.ts';
import type { Sealer } from '../proof/keys.ts';
import { sealSignature } from '../proof/seal.ts';
import { chained } from '../proof/chain.ts';
import { project } from './projections.ts';

/** Who says something, and at what. */
export interface Teller {
	person: Pick<Person, 'id' | 'name' | 'role'>;
	/** The lead who vouches that this person made it. */
	vouchedBy?: string;
	device?: string | null;
	/** Instead of the core's decision, for kinds with a door of their own. */
	decide?: (job: Job) => NewEntry[];
	/** What a signature is sealed with. */
	sealer?: Sealer;
}

/** What was written, and the job before it. */
export interface Told {
	entries: Entry[];
	job: Job;
}

/**
 * Decides a command on the job as it stands and adds what it becomes. The same id with the same words
 * again is answered with what is there, also when the job was signed since; with other words it is refused.
 */
export function tell(
	db: Database,
	jobId: string,
	command: Command,
	{ person, vouchedBy, device = null, decide, sealer }: Teller
): Promise<Told> {
	return db.transaction(async (tx) => {
		const row = await lockJob(tx, jobId);
		if (!row) throw notFound('job');
		const people = await listPeople(tx);
		const job = new Job({ ...row, people }, await listEntries(tx, jobId));
		const context: Context = {
			who: { id: person.id, name: person.name, role: person.role },
			device,
			...(vouchedBy && { vouchedBy }),
			key: uuidv7,
			people,
			...(kindOf(command.kind).wants?.includes('rack') && { rack: await listWrenches(tx) })
		};
		const known = await findEntry(tx, command.id);
		if (known) return again(jobId, job, known, command, decide ? undefined : context);
		const entries = decide ? decide(job) : decided(job, command, context);
		const added = await append(tx, row, job, entries);
		if (command.kind !== 'signed') return { entries: added, job };
		if (!sealer) throw new Error('a signature wants something to seal it with');
		const signed = job.apply(...added);
		const seal = await sealSignature(tx, signed, added[0]!, sealer);
		return { entries: [...added, ...(await append(tx, row, signed, [seal]))], job };
	});
}

function decided(job: Job, command: Command, context: Context): NewEntry[] {
	const decision = job.decide(command, context);
	if (decision.ok) return decision.entries;
	throw decision.problem;
}

/** A retry finds what the first try wrote; the same key with other words is refused. */
function again(
	jobId: string,
	job: Job,
	{ jobId: where, entry }: { jobId: string; entry: Entry },
	command: Command,
	context: Context | undefined
): Told {
	const { kind, corrects = null, enteredAt } = command;
	const then = { kind: entry.kind, corrects: entry.corrects, enteredAt: entry.enteredAt };
	const same = where === jobId && isDeepStrictEqual({ kind, corrects, enteredAt }, then);
	// What it would have become, had it been said then.
	const first = context && job.before(entry.seq).decide(command, context);
	const said = first?.ok ? first.entries[0] : undefined;
	if (!same || (said && !isDeepStrictEqual(said.data, entry.data))) {
		throw refuse('id', 'belongs to another entry', command.id);
	}
	// What one command became was stored at one moment; a signature's seal comes right after it.
	const entries = job.entries.filter(
		({ seq, kind: of, storedAt, personId }) =>
			seq >= entry.seq &&
			personId === entry.personId &&
			(storedAt === entry.storedAt || (of === 'sealed' && seq === entry.seq + 1))
	);
	return { entries, job };
}

/** Numbers and hashes new entries and writes them; the caller holds the job. */
export async function append(
	tx: Database,
	row: Pick<JobRow, 'id' | 'vehicleId'>,
	job: Job,
	entries: readonly NewEntry[]
): Promise<Entry[]> {
	if (entries.length === 0) return [];
	const storedAt = new Date().toISOString();
	const added = chained(
		row.id,
		job.entries.at(-1),
		entries.map((entry) => ({ ...entry, storedAt }))
	);
	await insertEntries(tx, row.id, added);
	await project(tx, row, job, job.apply(...added), added);
	return added;
}

/** A job with its whole book. */
export async function readJob(db: Database, id: string): Promise<Job> {
	const row = await findJob(db, id);
	if (!row) throw notFound('job');
	const [entries, people] = await Promise.all([listEntries(db, id), listPeople(db)]);
	return new Job({ ...row, people }, entries);
}
