/** A database of the schema before the book, and what becomes of it. */
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { createConnection } from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { firstJobFileSchema } from '../../src/lib/schema/first-job-file.ts';
import { validate } from '../../src/core/validate.ts';
import { viewJob } from '../../src/core/job/view.ts';
import type { JobRecord } from '../../src/core/job/record.ts';
import { importJob } from '../../src/lib/server/exchange/job-file.ts';
import type { FirstJobFile } from '../../src/lib/schema/job-file.ts';
import { listJobs } from '../../src/lib/server/db/jobs.ts';
import { migrate, readMigrations } from '../../src/lib/server/db/migrate.ts';
import { openDatabase, type OpenDatabase } from '../../src/lib/server/db/pool.ts';
import { readJob } from '../../src/lib/server/jobs/book.ts';
import { searchJobs } from '../../src/lib/server/jobs/lists.ts';
import { rebuild } from '../../src/lib/server/jobs/projections.ts';
import { proveBook } from '../../src/lib/server/proof/chain.ts';
import { freshDatabase } from './database.ts';
import { migrations } from './shop.ts';

const unpacked = (name: string) =>
	gunzipSync(readFileSync(new URL(`../fixtures/${name}.gz`, import.meta.url))).toString();
/** What the program of that time answered for each job of the same database. */
interface Old {
	records: Record<string, JobRecord & { version: number; chain: unknown[]; work: object[] }>;
	proofs: Record<string, { head: string | null; entries: number }>;
	lines: { number: string; stage: string; owed: number; technician: string }[];
}
const old = JSON.parse(unpacked('records.json')) as Old;

/** The stages of then, as they are called now; what was ready then owes its one-time hardware. */
const stageToday = (then: string): string =>
	({
		'heights-before': 'measure',
		joints: 'set',
		'heights-after': 'check',
		ready: 'set'
	})[then] ?? then;

let db: OpenDatabase;
beforeAll(async () => {
	const address = await freshDatabase(inject('database'), 'carried');
	const connection = await createConnection({ ...address, multipleStatements: true });
	await connection.query(unpacked('schema-10.sql'));
	await connection.end();
	const names = readMigrations(migrations).map(({ name }) => name);
	expect(await migrate(address, migrations)).toEqual(names.slice(10));
	db = openDatabase(address);
	await rebuild(db);
});
afterAll(() => db.close());

const jobOf = async (number: string) => {
	const [row] = await listJobs(db, [number]);
	return readJob(db, row!.id);
};

describe('a database of the schema before the book', () => {
	it.each(Object.keys(old.records))('keeps all of job %s', async (number) => {
		const { version: _, chain, work, joints, photos, people, ...was } = old.records[number]!;
		const { record } = await jobOf(number);
		const { signOff, ...rest } = was;
		expect(record).toMatchObject(rest);
		if (signOff) {
			const {
				overrideReason: reason,
				owed,
				...signature
			} = signOff as unknown as {
				overrideReason: string;
				owed: string[];
			};
			const over = owed.map((item) => ({ item, reason }));
			expect(record.signOff).toMatchObject({ ...signature, over });
		}
		expect(record.joints.map(({ key: _, ...joint }) => joint)).toEqual(joints);
		expect(record.photos.map(({ digest: _, ...photo }) => photo)).toEqual(photos);
		expect(record.people).toEqual(expect.arrayContaining(people));
		const kept = record.entries.map(
			({ id, kind, subject, data, personId, enteredAt: takenAt }) => ({
				id,
				kind,
				subject,
				data,
				personId,
				takenAt
			})
		);
		expect(kept).toEqual(expect.arrayContaining(work));
		const carried = record.entries.find(({ kind }) => kind === 'carried')!;
		expect(carried.data).toMatchObject({ chain });
	});

	it.each(Object.keys(old.records))(
		'proves job %s, its first chain with its head',
		async (number) => {
			const { record } = await jobOf(number);
			expect(proveBook(record)).toMatchObject({ holds: true, entries: record.entries.length });
			const carried = record.entries.find((entry) => entry.kind === 'carried')!;
			const { chain } = carried.data as { chain: { hash: string }[] };
			expect(chain.at(-1)?.hash ?? null).toBe(old.proofs[number]!.head);
			expect(chain).toHaveLength(old.proofs[number]!.entries);
		}
	);

	it('shows the same lines', async () => {
		const { open, signed } = await searchJobs(db, {});
		// What is open counts more today: steps, parts, hardware.
		const line = ({ number, stage, technician }: (typeof old.lines)[number]) => ({
			number,
			stage,
			technician
		});
		// Nobody had been asked what became of one-time hardware.
		const then = old.lines.map(line).map((one) => ({ ...one, stage: stageToday(one.stage) }));
		expect([...open, ...signed].map(line)).toEqual(then);
	});

	it('names a row of the first chain that is changed in the book afterwards', async () => {
		const { record } = await jobOf('2026-0187');
		const entries = record.entries.map((entry) =>
			entry.kind === 'reading' && entry.data.phase === 'after'
				? { ...entry, data: { ...entry.data, heightMm: 333 } }
				: entry
		);
		expect(proveBook({ ...record, entries })).toMatchObject({ holds: false });
	});

	it('keeps the pictures, the changes of the head, and the key of a joint that was renamed', async () => {
		const { record } = await jobOf('2026-0262');
		const pictures = await db.rows('SELECT photo_id FROM pictures WHERE job_id = ?', [record.id]);
		expect(pictures).toHaveLength(2);
		const carried = record.entries.find((entry) => entry.kind === 'carried')!;
		expect(
			(carried.data as { changes: { what: string }[] }).changes.map(({ what }) => what)
		).toEqual(expect.arrayContaining([expect.stringContaining('complaint: ')]));
		// Renamed by hand before joints had keys: it is still the layout's, by its place in the list.
		const renamed = record.joints.find(({ name }) => name === 'Renamed by hand')!;
		expect(renamed).toMatchObject({ key: expect.any(String), thread: { diameterMm: 11 } });
		expect(
			record.joints.filter(({ corner, key }) => corner === renamed.corner && key === renamed.key)
		).toEqual([renamed]);
		// One that was added by hand is no layout's.
		expect(record.joints.filter(({ key }) => key === null).map(({ name }) => name)).toEqual([
			'Exhaust hanger bolt'
		]);
	});

	it('goes on with the next number, and holds no table of before', async () => {
		const { nextJobNumber } = await import('../../src/lib/server/db/jobs.ts');
		expect(await db.transaction((tx) => nextJobNumber(tx, 2026))).toBe('2026-0270');
		const tables = (await db.rows('SHOW TABLES')).map((row) => Object.values(row)[0]);
		for (const gone of ['torques', 'joints', 'work_entries', 'record_chain', 'photos', 'targets']) {
			expect(tables).not.toContain(gone);
		}
	});
});

describe('a job file of before', () => {
	const file = () => JSON.parse(unpacked('job-v1.json')) as FirstJobFile;

	it('is still taken, and comes to the same job', async () => {
		const address = await freshDatabase(inject('database'), 'first_file');
		await migrate(address, migrations);
		const fresh = openDatabase(address);
		const checked = validate<FirstJobFile>(firstJobFileSchema, file(), { now: Date.now() });
		if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
		const { jobId } = await importJob(fresh, checked.value, null);
		const { record } = await readJob(fresh, jobId);
		const {
			version: _,
			chain: __,
			work: ___,
			joints,
			photos: ____,
			people: _____,
			...was
		} = old.records['2026-0262']!;
		expect(record).toMatchObject({ ...was, photos: [] });
		expect(record.joints).toHaveLength(joints.length);
		expect(proveBook(record).holds).toBe(true);
		expect(viewJob(record).standing.stage).toBe(
			stageToday(old.lines.find(({ number }) => number === '2026-0262')!.stage)
		);
		// Twice is once.
		expect(await importJob(fresh, checked.value, null)).toMatchObject({ created: false });
		await fresh.close();
	});

	it('that was changed on the way is not', async () => {
		const changed = file();
		changed.job.readings[0]!.heightMm = 300;
		await expect(importJob(db, changed, null)).rejects.toMatchObject({
			faults: [{ field: 'job.chain', message: expect.stringContaining('is not as it was written') }]
		});
	});
});
