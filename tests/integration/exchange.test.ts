import Ajv2020 from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import Papa from 'papaparse';
import { readdirSync, readFileSync } from 'node:fs';
import { v7 as uuidv7 } from 'uuid';
import { addDays, startOfISOWeek } from 'date-fns';
import { describe, expect, it } from 'vitest';
import { loadDemo } from '../../demo/load.ts';
import { validate } from '../../src/core/validate.ts';
import { viewJob } from '../../src/core/job/view.ts';
import { jobFileSchema } from '../../src/lib/schema/job-file.ts';
import { targetSchema } from '../../src/lib/schema/job.ts';
import { jobFileJsonSchema } from '../../src/lib/server/api/openapi.ts';
import { bayPlan } from '../../src/lib/server/bays.ts';
import { findShop } from '../../src/lib/server/db/shop.ts';
import { searchJobIds } from '../../src/lib/server/db/jobs.ts';
import { listPeople } from '../../src/lib/server/db/people.ts';
import { readingsCsv, torquesCsv } from '../../src/lib/server/exchange/csv.ts';
import { importJob, toJobFile, type JobFile } from '../../src/lib/server/exchange/job-file.ts';
import { setTarget } from '../../src/lib/server/jobs/heights.ts';
import { proveChain } from '../../src/lib/server/proof/chain.ts';
import { loadJob, searchJobs } from '../../src/lib/server/jobs/load.ts';
import { checked, useShop } from './shop.ts';

const here = useShop('exchange_here');
const there = useShop('exchange_there');
const demo = useShop('exchange_demo');

async function aFile(): Promise<JobFile> {
	const id = await here.job(['FL'], { owner: '=SUM(A1)' });
	const first = await here.reading(id, { height: '14 3/8 in' });
	await here.reading(id, { height: '366', correctsId: first.id });
	const bush = (await loadJob(here.db, id)).joints.find((joint) => joint.kind === 'bonded-bush')!;
	await here.torque(id, bush.id, {
		torque: '75 ft-lb',
		carState: 'loaded',
		method: 'on-wheels',
		hubToArch: '380',
		wrench: '=cmd()'
	});
	return JSON.parse(JSON.stringify(toJobFile(await loadJob(here.db, id)))) as JobFile;
}

/** The file as an earlier version wrote it, before the fields of the torque round were there. */
function asWrittenBefore(file: JobFile): JobFile {
	const drop = (row: object, ...keys: string[]) => {
		for (const key of keys) delete (row as Record<string, unknown>)[key];
	};
	const old = JSON.parse(JSON.stringify(file)) as JobFile;
	const { job } = old;
	drop(job, 'loadings', 'resetAboveMm');
	for (const axle of [job.vehicle.axles.front, job.vehicle.axles.rear])
		drop(axle, 'tape', 'hardpoints');
	for (const joint of job.joints) drop(joint, 'programme', 'thread', 'place', 'loosened');
	for (const torque of job.torques) {
		drop(torque, 'action', 'angleDeg', 'skipReason', 'wrenchId', 'settingNm');
		drop(torque, 'overrideReason', 'deviceReadingId');
	}
	return old;
}

describe('a job file', () => {
	it('from before the torque round is taken, and its chain still holds', async () => {
		const file = await aFile();
		const checkedFile = validate<JobFile>(jobFileSchema, asWrittenBefore(file), {
			now: Date.now()
		});
		if (!checkedFile.ok) throw new Error(JSON.stringify(checkedFile.faults));
		expect(checkedFile.value.job.chain).toHaveLength(3);
		expect(await importJob(there.db, checkedFile.value, there.lead.id)).toMatchObject({
			created: true
		});
		const copy = await loadJob(there.db, file.job.id);
		expect(proveChain(copy)).toMatchObject({ holds: true, entries: 3 });
		expect(copy.joints.every(({ loosened, programme }) => loosened && programme === null)).toBe(
			true
		);
		expect(copy).toMatchObject({ resetAboveMm: 10, loadings: [] });
	});

	it('carries programmes, steps, what was passed over and loaded heights', async () => {
		const id = await here.job(['FL']);
		const job = await loadJob(here.db, id);
		const wheel = job.joints.find(({ kind }) => kind === 'wheel')!;
		const onWheels = { carState: 'loaded', method: 'on-wheels' };
		await here.torque(id, wheel.id, { ...onWheels, torque: '60', action: 0 });
		await here.torque(id, wheel.id, { ...onWheels, torque: '60', action: 1 });
		const rigid = job.joints.find(({ kind }) => kind === 'rigid')!;
		await here.torque(id, rigid.id, { torque: undefined, skipReason: 'waiting for the bolt' });
		await here.loading(id, { hubToArch: '14 3/8 in', oppositeBefore: '702', oppositeNow: '701' });
		const file = JSON.parse(JSON.stringify(toJobFile(await loadJob(here.db, id)))) as JobFile;
		await importJob(there.db, file, there.lead.id);
		expect(toJobFile(await loadJob(there.db, id))).toEqual(file);
		expect(file.job.torques.map(({ action, skipReason }) => [action, skipReason])).toEqual([
			[0, null],
			[1, null],
			[0, 'waiting for the bolt']
		]);
		expect(file.job.chain.map(({ kind }) => kind)).toEqual([
			'torque',
			'torque',
			'torque',
			'loading'
		]);
		const table = Papa.parse<Record<string, string>>(torquesCsv(file.job), { header: true }).data;
		expect(table.map(({ step, skipReason }) => [step, skipReason])).toEqual(
			expect.arrayContaining([
				['2', ''],
				['1', 'waiting for the bolt']
			])
		);
	});

	it('recreates the job elsewhere, with the same ids and the same meaning', async () => {
		const file = await aFile();
		expect(await importJob(there.db, file, there.lead.id)).toMatchObject({ created: true });
		const copy = toJobFile(await loadJob(there.db, file.job.id));
		expect(copy).toEqual(file);
		expect(viewJob(copy.job).standing.owed).toEqual(viewJob(file.job).standing.owed);
	});

	it('carries what a predicted target rests on', async () => {
		const id = await here.job();
		await here.reading(id, { height: '352' });
		await setTarget(
			here.db,
			id,
			checked(targetSchema, {
				version: 1,
				corner: 'FL',
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
			}),
			here.technician.id
		);
		const file = JSON.parse(JSON.stringify(toJobFile(await loadJob(here.db, id)))) as JobFile;
		const ajv = new Ajv2020({ strict: false });
		addFormats(ajv);
		const check = ajv.compile(jobFileJsonSchema());
		expect(check(file), JSON.stringify(check.errors)).toBe(true);
		await importJob(there.db, file, there.lead.id);
		expect((await loadJob(there.db, id)).targets).toEqual(file.job.targets);
		expect(file.job.targets[0]!.prediction!.typed.sprungLoad).toBe('800 lbf');
	});

	it('imported twice is one job', async () => {
		const file = await aFile();
		await importJob(there.db, file, there.lead.id);
		expect(await importJob(there.db, file, there.lead.id)).toMatchObject({ created: false });
		const ids = await searchJobIds(there.db, { search: '', vehicleId: file.job.vehicle.id }, 10);
		expect(ids).toEqual([file.job.id]);
	});

	it('brings people by name, who cannot sign in', async () => {
		const file = await aFile();
		await importJob(there.db, file, there.lead.id);
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
		for (const name of readdirSync('demo/jobs')) {
			expect(check(JSON.parse(readFileSync(`demo/jobs/${name}`, 'utf8'))), name).toBe(true);
		}
		expect(check({ ...file, job: { ...file.job, corners: ['XX'] } })).toBe(false);
		expect(check({ ...file, format: 'other' })).toBe(false);
	});

	it.each<[string, (file: JobFile) => void, string]>([
		[
			'a person who is not in the file',
			(file) => (file.job.readings[0]!.personId = uuidv7()),
			'job.readings.0.personId'
		],
		[
			'a joint that is not in the file',
			(file) => (file.job.torques[0]!.jointId = uuidv7()),
			'job.torques.0.jointId'
		],
		[
			'a correction before its reading',
			(file) => file.job.readings.reverse(),
			'job.readings.0.correctsId'
		],
		[
			'a joint at a corner not worked on',
			(file) => (file.job.joints[0]!.corner = 'RR'),
			'job.joints.0.corner'
		],
		['mixed schools', (file) => (file.job.school = 'ground-to-arch'), 'job.readings'],
		[
			'a signature without its date',
			(file) => (file.job.signedAt = '2026-01-01T00:00:00.000Z'),
			'job.signedAt'
		]
	])('with %s is refused whole', async (_, spoil, field) => {
		const file = await aFile();
		spoil(file);
		const refused = await Promise.resolve()
			.then(() => importJob(there.db, file, there.lead.id))
			.catch((error) => error);
		expect(refused.faults?.map((fault: { field: string }) => fault.field)).toContain(field);
		await expect(loadJob(there.db, file.job.id)).rejects.toMatchObject({ status: 404 });
	});

	it('from the future, of another format, or with a 9 m height is refused by name', async () => {
		const file = await aFile();
		const faults = (change: (copy: JobFile) => void) => {
			const copy = structuredClone(file);
			change(copy);
			const result = validate(jobFileSchema, copy, { now: Date.now() });
			return result.ok ? [] : result.faults.map((fault) => fault.field);
		};
		expect(faults((copy) => (copy.job.openedAt = '2099-01-01T00:00:00.000Z'))).toEqual([
			'job.openedAt'
		]);
		expect(faults((copy) => (copy.job.readings[0]!.heightMm = 9000))).toEqual([
			'job.readings.0.heightMm'
		]);
		expect(faults((copy) => ((copy as { format: string }).format = 'other'))).toEqual(['format']);
	});

	it('for a plate that another car has here is refused, not mixed up', async () => {
		const file = await aFile();
		await importJob(there.db, file, there.lead.id);
		const other = structuredClone(file);
		other.job.id = uuidv7();
		other.job.chain = [];
		other.job.vehicle.id = uuidv7();
		await expect(importJob(there.db, other, there.lead.id)).rejects.toMatchObject({
			faults: [{ field: 'job.vehicle.plate' }]
		});
	});
});

describe('tables', () => {
	it('hold every row as typed and in SI', async () => {
		const { job } = await aFile();
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
		expect(torques[0]).toMatchObject({ entered: '75 ft-lb', verdict: 're-set-advised' });
		expect(Number(torques[0]!.torqueNm)).toBeCloseTo(101.686346, 6);
	});

	it('run no formula in a spreadsheet', async () => {
		const { job } = await aFile();
		expect(torquesCsv(job)).toContain("'=cmd()");
	});
});

describe('the demo shop', () => {
	it('loads through the import, with jobs at every stage and nothing twice', async () => {
		await loadDemo(demo.db);
		await loadDemo(demo.db);
		const jobs = await searchJobs(demo.db, { search: '' });
		expect(jobs).toHaveLength(20);
		expect(new Set(jobs.map((job) => job.plate)).size).toBe(18);
		expect(new Set(jobs.map((job) => job.stage))).toEqual(
			new Set(['heights-before', 'work', 'joints', 'set', 'heights-after', 'ready', 'signed'])
		);
		// Cars stand in their bays in the week of loading, once each.
		const monday = startOfISOWeek(addDays(new Date(), 2));
		const plan = await bayPlan(demo.db, (await findShop(demo.db))!, monday, addDays(monday, 7));
		expect(plan.filter(({ slot }) => slot)).toHaveLength(7);
	});

	it('tells of a sagged corner, a bush caught wound up, and a car lowered on coilovers', async () => {
		const of = async (number: string) =>
			viewJob(await loadJob(demo.db, (await searchJobs(demo.db, { search: number }))[0]!.id));
		expect((await of('2026-0255')).corners.RL.before!.meanMm).toBeLessThan(340);
		expect(
			(await of('2026-0257')).standing.owed.some((item) => item.text.includes('wound up'))
		).toBe(true);
		const lowered = (await of('2026-0187')).corners.FL.comparison!;
		expect(lowered).toMatchObject({ verdict: 'changed' });
		expect(lowered.differenceMm).toBeLessThan(-20);
	});
});
