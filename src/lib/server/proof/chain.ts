/**
 * Readings, torques and loadings of a job as a chain: each link is the SHA-256 of the link before it and of its
 * row as it stands in the database. A row that was edited, removed or put in by another way than this
 * program breaks the chain at its place, and is named.
 */
import canonicalize from 'canonicalize';
import { createHash } from 'node:crypto';
import { cornerNames } from '../../../core/height/corners.ts';
import type { ChainLink, JobRecord, Loading, Proof, Reading, Torque } from '../../../core/job/model.ts';
import { insertLink, lastLink } from '../db/chain.ts';
import { findReading, listReadings } from '../db/heights.ts';
import { findTorque, listTorques } from '../db/joints.ts';
import { findLoading, listLoadings } from '../db/loadings.ts';
import type { Database } from '../db/pool.ts';

type Row =
	| { kind: 'reading'; row: Reading }
	| { kind: 'torque'; row: Torque }
	| { kind: 'loading'; row: Loading };
type Rows = Pick<JobRecord, 'readings' | 'torques' | 'loadings'>;

/** What stands before the first link. */
const beginning = '0'.repeat(64);

/** SHA-256 of the link before and of the row in canonical JSON (RFC 8785). */
function linkHash(before: string, jobId: string, { kind, row }: Row): string {
	const text = canonicalize({ jobId, kind, row: kind === 'torque' ? asFirstWritten(row) : row })!;
	return createHash('sha256').update(`${before}\n${text}`).digest('hex');
}

/**
 * Fields that came after the first chains were written are hashed only where they say something: the
 * older links still hold.
 */
function asFirstWritten(torque: Torque): Partial<Torque> {
	const later = [
		'angleDeg',
		'skipReason',
		'wrenchId',
		'settingNm',
		'overrideReason',
		'deviceReadingId'
	] as const;
	const row: Partial<Torque> = { ...torque };
	if (row.action === 0) delete row.action;
	for (const field of later) if (row[field] === null) delete row[field];
	return row;
}

const rowsOf = ({ readings, torques, loadings }: Rows): Row[] => [
	...readings.map((row) => ({ kind: 'reading' as const, row })),
	...torques.map((row) => ({ kind: 'torque' as const, row })),
	...loadings.map((row) => ({ kind: 'loading' as const, row }))
];

/** Links for these rows, in the order given, behind the last link there is. */
function linksFor(jobId: string, rows: readonly Row[], last: ChainLink | undefined): ChainLink[] {
	return rows.map((row) => {
		const link: ChainLink = {
			seq: (last?.seq ?? 0) + 1,
			kind: row.kind,
			id: row.row.id,
			hash: linkHash(last?.hash ?? beginning, jobId, row)
		};
		last = link;
		return link;
	});
}

/**
 * Links the row that was just written, as the database holds it. The first link of a job also takes in
 * the rows from before there was a chain. The caller holds the job's lock.
 */
export async function linkRow(
	db: Database,
	jobId: string,
	kind: ChainLink['kind'],
	id: string
): Promise<void> {
	const last = await lastLink(db, jobId);
	const rows = last ? [await writtenRow(db, kind, id)] : await writtenRows(db, jobId);
	for (const link of linksFor(jobId, rows, last)) await insertLink(db, jobId, link);
}

/** Keeps the chain that came with an imported job, or starts one. Check the file with `proveChain` first. */
export async function linkImported(db: Database, job: JobRecord): Promise<void> {
	const started = job.chain.length
		? job.chain
		: linksFor(job.id, await writtenRows(db, job.id), undefined);
	for (const link of started) await insertLink(db, job.id, link);
}

async function writtenRow(db: Database, kind: ChainLink['kind'], id: string): Promise<Row> {
	if (kind === 'reading') return { kind, row: (await findReading(db, id))!.reading };
	if (kind === 'torque') return { kind, row: (await findTorque(db, id))!.torque };
	return { kind, row: (await findLoading(db, id))!.loading };
}

const writtenRows = async (db: Database, jobId: string): Promise<Row[]> =>
	rowsOf({
		readings: await listReadings(db, jobId),
		torques: await listTorques(db, jobId),
		loadings: await listLoadings(db, jobId)
	});

/** Goes along the chain of a record. A job from before there was a chain has none, and that is said. */
export function proveChain(job: Pick<JobRecord, 'id' | 'chain' | 'joints'> & Rows): Proof {
	const { chain } = job;
	const proof: Proof = {
		entries: chain.length,
		head: chain[chain.length - 1]?.hash ?? null,
		holds: true
	};
	const rows = new Map(rowsOf(job).map((row) => [row.row.id, row]));
	const breakAt = (seq: number, kind: ChainLink['kind'], id: string, what: string): Proof => ({
		...proof,
		holds: false,
		broken: { seq, kind, id, words: `${describe(job, rows.get(id), kind)} ${what}` }
	});
	let before = beginning;
	for (const [i, { seq, kind, id, hash }] of chain.entries()) {
		const row = rows.get(id);
		if (seq !== i + 1) return breakAt(i + 1, kind, id, 'follows a link that was removed');
		if (!row || row.kind !== kind) return breakAt(seq, kind, id, 'was removed');
		if (linkHash(before, job.id, row) !== hash) {
			return breakAt(seq, kind, id, 'is not as it was written');
		}
		before = hash;
		rows.delete(id);
	}
	const [loose] = chain.length ? rows.values() : [];
	return loose
		? breakAt(chain.length + 1, loose.kind, loose.row.id, 'was put in past this program')
		: proof;
}

function describe(
	{ joints }: Pick<JobRecord, 'joints'>,
	found: Row | undefined,
	kind: ChainLink['kind']
): string {
	if (!found) {
		return { reading: 'a height reading', torque: 'a torque', loading: 'a loaded height' }[kind];
	}
	if (found.kind === 'loading') {
		const { corner, entered } = found.row;
		return `the loaded height at ${cornerNames[corner].toLowerCase()}, ${entered},`;
	}
	if (found.kind === 'reading') {
		const { corner, phase, entered } = found.row;
		return `the height ${phase} at ${cornerNames[corner].toLowerCase()}, ${entered},`;
	}
	const joint = joints.find(({ id }) => id === found.row.jointId);
	const where = joint ? `${cornerNames[joint.corner].toLowerCase()}, ${joint.name}` : 'a joint';
	return `the torque of ${where}, ${found.row.entered},`;
}
