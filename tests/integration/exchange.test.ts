import Ajv2020 from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import Papa from 'papaparse';
import { v7 as uuidv7 } from 'uuid';
import { addDays } from 'date-fns';
import { describe, expect, it } from 'vitest';
import { demoDay, loadDemo } from '../../demo/load.ts';
import { demoJobs } from '../../demo/tell.ts';
import { validate } from '../../src/core/validate.ts';
import { viewJob } from '../../src/core/job/view.ts';
import type { Entry } from '../../src/core/job/book/entry.ts';
import { jobFileSchema } from '../../src/lib/schema/job-file.ts';
import { jobFileJsonSchema } from '../../src/lib/server/api/openapi.ts';
import { bayPlan } from '../../src/lib/server/bays.ts';
import { listPeople } from '../../src/lib/server/db/people.ts';
import { readingsCsv, torquesCsv } from '../../src/lib/server/exchange/csv.ts';
import { importJob } from '../../src/lib/server/exchange/job-file.ts';
import { toJobFile } from '../../src/lib/schema/job-file.ts';
import type { JobFile } from '../../src/lib/schema/job-file.ts';
import { readJob } from '../../src/lib/server/jobs/book.ts';
import { searchJobs } from '../../src/lib/server/jobs/lists.ts';
import { useShop } from './shop.ts';

const here = useShop('exchange_here');
const there = useShop('exchange_there');
const demo = useShop('exchange_demo');

async function aFile(): Promise<JobFile> {
	const id = await here.job(['FL'], { owner: '=SUM(A1)' });
	const first = await here.reading(id, { height: '14 3/8 in' });
	await here.reading(id, { height: '366', correctsId: first.id });
	const bush = (await here.record(id)).joints.find((joint) => joint.kind === 'bonded-bush')!;
	await here.torque(id, bush.id, {
		torque: '62 ft-lb',
		carState: 'loaded',
		method: 'on-wheels',
		hubToArch: '380',
		wrench: '=cmd()'
	});
	return JSON.parse(JSON.stringify(toJobFile(await readJob(here.db, id)))) as JobFile;
}

/** Data of an entry, for spoiling. */
const dataOf = (file: JobFile, kind: string) =>
	file.entries.find((entry) => entry.kind === kind)!.data as unknown as Record<string, unknown>;

describe('a job file', () => {
	it('carries programmes, steps, what was passed over and loaded heights', async () => {
		const id = await here.job(['FL']);
		const job = await here.record(id);
		const wheel = job.joints.find(({ kind }) => kind === 'wheel')!;
		const onWheels = { carState: 'loaded', method: 'on-wheels' };
		await here.say(id, 'down', 'car', { onWheels: true });
		await here.torque(id, wheel.id, { ...onWheels, torque: '60', action: 0 });
		await here.torque(id, wheel.id, { ...onWheels, torque: '60', action: 1 });
		const rigid = job.joints.find(({ kind }) => kind === 'rigid')!;
		await here.torque(id, rigid.id, { torque: undefined, skipReason: 'waiting for the bolt' });
		await here.loading(id, { hubToArch: '14 3/8 in', oppositeBefore: '702', oppositeNow: '701' });
		const file = JSON.parse(JSON.stringify(toJobFile(await readJob(here.db, id)))) as JobFile;
		await importJob(there.db, file, there.lead);
		expect(toJobFile(await readJob(there.db, id)).entries.slice(0, -1)).toEqual(file.entries);
		expect(file.entries.slice(-4).map(({ kind }) => kind)).toEqual([
			'torque',
			'torque',
			'skip',
			'loading'
		]);
		const table = Papa.parse<Record<string, string>>(torquesCsv(await there.record(id)), {
			header: true
		}).data;
		expect(table.map(({ step, skipReason }) => [step, skipReason])).toEqual(
			expect.arrayContaining([
				['2', ''],
				['1', 'waiting for the bolt']
			])
		);
	});

	it('recreates the job elsewhere, with the same ids and the same meaning', async () => {
		const file = await aFile();
		expect(await importJob(there.db, file, there.lead)).toMatchObject({ created: true });
		const brought = toJobFile(await readJob(there.db, file.job.id)).entries;
		expect(brought.slice(0, -1)).toEqual(file.entries);
		expect(brought.at(-1)).toMatchObject({ kind: 'imported', personId: there.lead.id });
		const [copy, own] = [await there.record(file.job.id), await here.record(file.job.id)];
		expect(viewJob(copy).standing.owed).toEqual(viewJob(own).standing.owed);
	});

	it('carries what a predicted target rests on', async () => {
		const id = await here.job();
		await here.reading(id, { height: '352' });
		await here.say(id, 'target', 'FL', {
			source: 'predicted',
			prediction: {
				sprungLoad: '800 lbf',
				motionRatio: 0.95,
				oldRate: '25',
				oldFreeLength: '340',
				newRate: '27',
				newFreeLength: '346',
				seatChange: '0',
				settling: '5'
			}
		});
		const file = JSON.parse(JSON.stringify(toJobFile(await readJob(here.db, id)))) as JobFile;
		const ajv = new Ajv2020({ strict: false });
		addFormats(ajv);
		const check = ajv.compile(jobFileJsonSchema());
		expect(check(file), JSON.stringify(check.errors)).toBe(true);
		await importJob(there.db, file, there.lead);
		const { targets } = await there.record(id);
		expect(targets).toEqual((await here.record(id)).targets);
		expect(targets[0]!.prediction!.typed.sprungLoad).toBe('800 lbf');
	});

	it('imported twice is one job', async () => {
		const file = await aFile();
		await importJob(there.db, file, there.lead);
		expect(await importJob(there.db, file, there.lead)).toMatchObject({ created: false });
		const { vehicle } = await there.record(file.job.id);
		const { open } = await searchJobs(there.db, { vehicleId: vehicle.id });
		expect(open.map(({ id }) => id)).toEqual([file.job.id]);
	});

	it('brings people by name, who cannot sign in', async () => {
		const file = await aFile();
		await importJob(there.db, file, there.lead);
		expect(
			(await listPeople(there.db)).find((person) => person.id === here.technician.id)
		).toMatchObject({ canSignIn: false, active: false });
	});

	it('passes its published JSON Schema, and a broken one does not', async () => {
		const ajv = new Ajv2020({ strict: false });
		addFormats(ajv);
		const check = ajv.compile(jobFileJsonSchema());
		const file = await aFile();
		expect(check(file), JSON.stringify(check.errors)).toBe(true);
		for (const demo of demoJobs()) expect(check(demo), demo.job.number).toBe(true);
		expect(check({ ...file, job: { ...file.job, number: 'XX' } })).toBe(false);
		expect(check({ ...file, entries: [] })).toBe(false);
		expect(check({ ...file, format: 'other' })).toBe(false);
	});

	it.each<[string, (file: JobFile) => void, string | RegExp]>([
		[
			'a person who is not in the file',
			(file) => (file.entries.at(-1)!.personId = uuidv7()),
			/entries\.\d+\.personId/
		],
		[
			'a joint that is not in the file',
			(file) => (file.entries.at(-1)!.subject = uuidv7()),
			/entries\.\d+\.subject/
		],
		[
			'a correction of nothing',
			(file) => (file.entries.find(({ kind }) => kind === 'reading')!.corrects = uuidv7()),
			/entries\.\d+\.corrects/
		],
		['no opening', (file) => (file.entries as Entry[]).shift(), 'entries.0.kind'],
		['a height made up', (file) => (dataOf(file, 'reading').heightMm = 300), /entries\.\d+$/],
		['a number made up', (file) => (dataOf(file, 'torque').torqueNm = 300), /entries\.\d+$/],
		['another head', (file) => (file.head = 'f'.repeat(64)), 'head']
	])('with %s is refused whole', async (_, spoil, field) => {
		const file = await aFile();
		spoil(file);
		const refused = await Promise.resolve()
			.then(() => importJob(there.db, file, there.lead))
			.catch((error) => error);
		const fields = refused.faults?.map((fault: { field: string }) => fault.field) ?? [];
		expect(fields).toContainEqual(expect.stringMatching(field));
		await expect(there.record(file.job.id)).rejects.toMatchObject({ status: 404 });
	});

	it('from the future, of another format, or with a 9 m height is refused by name', async () => {
		const file = await aFile();
		const faults = (change: (copy: JobFile) => void) => {
			const copy = structuredClone(file);
			change(copy);
			const result = validate(jobFileSchema, copy, { now: Date.now() });
			return result.ok ? [] : result.faults.map((fault) => fault.field);
		};
		const first = file.entries.findIndex(({ kind }) => kind === 'reading');
		expect(faults((copy) => (copy.entries[0]!.storedAt = '2099-01-01T00:00:00.000Z'))).toEqual([
			'entries.0.storedAt'
		]);
		expect(faults((copy) => (dataOf(copy, 'reading').heightMm = 9000))).toEqual([
			`entries.${first}.data.heightMm`
		]);
		expect(faults((copy) => ((copy as { format: string }).format = 'other'))).toEqual(['format']);
	});

	it('for a plate that another car has here is refused, not mixed up', async () => {
		const file = await aFile();
		await importJob(there.db, file, there.lead);
		const { plate } = (await here.record(file.job.id)).vehicle;
		await there.db.run('UPDATE vehicles SET plate = ? WHERE plate = ?', ['MOVED', plate]);
		await there.job(['FL'], { plate });
		const twin = await here.job(['FL'], { plate: uuidv7().slice(-9) });
		const other = toJobFile(await readJob(here.db, twin));
		const taken = (await here.record(twin)).vehicle.plate;
		await there.job(['FL'], { plate: taken });
		await expect(importJob(there.db, other, there.lead)).rejects.toMatchObject({
			faults: [{ field: 'vehicle.plate' }]
		});
	});
});

describe('tables', () => {
	it('hold every row as typed and in SI', async () => {
		const job = await here.record((await aFile()).job.id);
		const readings = Papa.parse<Record<string, string>>(readingsCsv(job), {
			header: true,
			skipEmptyLines: true
		}).data;
		expect(readings.map((row) => [row.entered, row.heightMm])).toEqual([
			['14 3/8 in', '365.125'],
			['366 mm', '366']
		]);
		const torques = Papa.parse<Record<string, string>>(torquesCsv(job), {
			header: true,
			skipEmptyLines: true
		}).data;
		expect(torques[0]).toMatchObject({ entered: '62 ft-lb', verdict: 're-set-advised' });
		expect(Number(torques[0]!.torqueNm)).toBeCloseTo(84.060713, 6);
	});

	it('run no formula in a spreadsheet', async () => {
		const job = await here.record((await aFile()).job.id);
		expect(torquesCsv(job)).toContain("'=cmd()");
	});
});

describe('the demo shop', () => {
	it('loads through the import, with jobs at every stage and nothing twice', async () => {
		await loadDemo(demo.db, demo.sealer);
		await loadDemo(demo.db, demo.sealer);
		const { open, signed } = await searchJobs(demo.db, {});
		const jobs = [...open, ...signed];
		expect(jobs).toHaveLength(20);
		expect(new Set(jobs.map((job) => job.plate)).size).toBe(18);
		expect(new Set(jobs.map((job) => job.stage))).toEqual(
			new Set(['measure', 'work', 'set', 'check', 'hand-over', 'signed'])
		);
		// Cars stand in their bays in the days after loading, once each.
		const plan = await bayPlan(demo.db, demoDay(0), addDays(demoDay(0), 8));
		expect(plan.filter(({ slot }) => slot)).toHaveLength(7);
	});

	it('tells of a sagged corner, a bush caught wound up, and a car lowered on coilovers', async () => {
		const of = async (search: string) => {
			const { open, signed } = await searchJobs(demo.db, { search });
			return viewJob(await demo.record([...open, ...signed][0]!.id));
		};
		expect((await of('2026-0255')).corners.RL.before!.meanMm).toBeLessThan(340);
		expect(
			(await of('2026-0257')).standing.owed.some((item) => item.text.includes('wound up'))
		).toBe(true);
		const lowered = (await of('2026-0187')).corners.FL.comparison!;
		expect(lowered).toMatchObject({ verdict: 'changed' });
		expect(lowered.differenceMm).toBeLessThan(-20);
	});
});
