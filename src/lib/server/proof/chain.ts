/**
 * Readings and torques of a job as a chain: each link is the SHA-256 of the link before it and of its
 * row as it stands in the database. A row that was edited, removed or put in by another way than this
 * program breaks the chain at its place, and is named.
 */
import canonicalize from 'canonicalize';
import { createHash } from 'node:crypto';
import { cornerNames } from '../../../core/height/corners.ts';
import type { ChainLink, JobRecord, Proof, Reading, Torque } from '../../job/model.ts';
import { insertLink, listLinks } from '../db/chain.ts';
import { listReadings } from '../db/heights.ts';
import { listTorques } from '../db/joints.ts';
import type { Database } from '../db/pool.ts';

type Row = { kind: 'reading'; row: Reading } | { kind: 'torque'; row: Torque };
type Rows = Pick<JobRecord, 'readings' | 'torques'>;

/** What stands before the first link. */
const beginning = '0'.repeat(64);

/** SHA-256 of the link before and of the row in canonical JSON (RFC 8785). */
function linkHash(before: string, jobId: string, { kind, row }: Row): string {
	const text = canonicalize({ jobId, kind, row })!;
	return createHash('sha256').update(`${before}\n${text}`).digest('hex');
}

const rowsOf = ({ readings, torques }: Rows): Row[] => [
	...readings.map((row) => ({ kind: 'reading' as const, row })),
	...torques.map((row) => ({ kind: 'torque' as const, row }))
];

/** Links for the rows that have none yet, in the order given. */
function linksFor(jobId: string, rows: readonly Row[], links: readonly ChainLink[]): ChainLink[] {
	const linked = new Set(links.map((link) => link.id));
	let last = links[links.length - 1];
	return rows
		.filter(({ row }) => !linked.has(row.id))
		.map((row) => {
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
export async function linkRow(db: Database, jobId: string, id: string): Promise<void> {
	const links = await listLinks(db, jobId);
	await insertLinks(db, jobId, links, ({ row }) => links.length === 0 || row.id === id);
}

/** Keeps the chain that came with an imported job, or starts one. Check the file with `proveChain` first. */
export async function linkImported(db: Database, job: JobRecord): Promise<void> {
	for (const link of job.chain) await insertLink(db, job.id, link);
	if (job.chain.length === 0) await insertLinks(db, job.id, [], () => true);
}

async function insertLinks(
	db: Database,
	jobId: string,
	links: readonly ChainLink[],
	wanted: (row: Row) => boolean
): Promise<void> {
	const rows = rowsOf({
		readings: await listReadings(db, jobId),
		torques: await listTorques(db, jobId)
	});
	for (const link of linksFor(jobId, rows.filter(wanted), links)) {
		await insertLink(db, jobId, link);
	}
}

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
	if (!found) return kind === 'reading' ? 'a height reading' : 'a torque';
	if (found.kind === 'reading') {
		const { corner, phase, entered } = found.row;
		return `the height ${phase} at ${cornerNames[corner].toLowerCase()}, ${entered},`;
	}
	const joint = joints.find(({ id }) => id === found.row.jointId);
	const where = joint ? `${cornerNames[joint.corner].toLowerCase()}, ${joint.name}` : 'a joint';
	return `the torque of ${where}, ${found.row.entered},`;
}
