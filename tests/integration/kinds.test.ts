/**
 * Every kind of fact, over random books: what the core decides in the browser is what the server writes, and
 * what it writes goes through files, tables and projections unchanged.
 */
import fc, { type GeneratorValue } from 'fast-check';
import { readFileSync } from 'node:fs';
import { formatISO, subDays } from 'date-fns';
import Papa from 'papaparse';
import sharp from 'sharp';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { readCommand } from '../../src/core/job/book/command.ts';
import type { NewEntry } from '../../src/core/job/book/entry.ts';
import type { Job } from '../../src/core/job/book/job.ts';
import type { KindName } from '../../src/core/job/kinds/data.ts';
import { kinds } from '../../src/core/job/kinds/index.ts';
import type { JobRecord } from '../../src/core/job/record.ts';
import { metric } from '../../src/core/units/format.ts';
import { validate } from '../../src/core/validate.ts';
import { jobFileSchema } from '../../src/lib/schema/job-file.ts';
import { listEntries } from '../../src/lib/server/db/entries.ts';
import { projectionTables } from '../../src/lib/server/db/projections.ts';
import { insertCalibration, insertWrench, listWrenches } from '../../src/lib/server/db/wrenches.ts';
import type { ShopWrench } from '../../src/lib/rack/model.ts';
import type { Person } from '../../src/lib/server/db/people.ts';
import { bookCsv } from '../../src/lib/server/exchange/csv.ts';
import { importJob, sealedJobFile } from '../../src/lib/server/exchange/job-file.ts';
import type { JobFile } from '../../src/lib/schema/job-file.ts';
import { readJob, tell } from '../../src/lib/server/jobs/book.ts';
import { addPhoto } from '../../src/lib/server/jobs/photos.ts';
import { Problem } from '../../src/core/problem.ts';
import { putKnownShop } from '../../src/lib/server/db/seals.ts';
import { signingKey } from '../../src/lib/server/proof/keys.ts';
import { proveBook } from '../../src/lib/server/proof/chain.ts';
import { changeVehicle, type VehicleInput } from '../../src/lib/server/vehicles.ts';
import { seedOfTheDay } from '../seed.ts';
import { corner, makers, oneOf, saidKinds, words, type Said } from './makers.ts';
import { useShop, shrink } from './shop.ts';

const shop = useShop('kinds_here');
const there = useShop('kinds_there');

const wrench: ShopWrench = {
	id: uuidv7(),
	name: 'Main click',
	kind: 'click',
	lowestNm: 20,
	highestNm: 220,
	lengthMm: 450,
	retired: false,
	calibratedOn: null,
	passed: false,
	cycles: 0,
	entered: {},
	version: 1
};
beforeAll(async () => {
	for (const { db, lead } of [shop, there]) {
		await insertWrench(db, wrench);
		await insertCalibration(db, {
			id: uuidv7(),
			wrenchId: wrench.id,
			calibratedOn: formatISO(subDays(new Date(), 3), { representation: 'date' }),
			readings: [],
			passed: true,
			note: '',
			personId: lead.id
		});
	}
});

const accepted = new Set<KindName>();
let books = 0;
/** An entry without its place in the book, and without the keys that each decision makes anew. */
const placeless =
	({ joints }: JobRecord, { id }: { id: string }) =>
	(entry: NewEntry): object => {
		const made =
			entry.kind === 'joint' &&
			entry.id !== id &&
			!joints.some((joint) => joint.id === entry.subject);
		const { kind, personId, device, enteredAt, seen, corrects, data } = entry;
		const subject = made ? 'a new joint' : entry.subject;
		return { kind, subject, personId, device, enteredAt, seen, corrects, data };
	};
const wire = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Says it at both: in the browser on its own copy of the job, and to the server. */
async function sayAtBoth(jobId: string, browser: Job, given: object, by: Person): Promise<Job> {
	const read = readCommand(wire(given), { units: metric, now: Date.now() });
	if (!read.ok) return browser;
	const { device, personId: _, vouched: __, ...command } = read.value;
	const here = browser.decide(command, {
		who: { id: by.id, name: by.name, role: by.role },
		device: device ?? null,
		key: uuidv7,
		rack: await listWrenches(shop.db),
		people: browser.record.people.map((one) => ({ ...one, active: true }))
	});
	try {
		const told = await tell(shop.db, jobId, command, {
			person: by,
			device,
			sealer: shop.sealer
		});
		const { entries } = told;
		// The seal is the server's: no browser has the key.
		const decided = entries.filter(({ kind }) => kind !== 'sealed');
		expect(here.ok, JSON.stringify([given, here])).toBe(true);
		if (!here.ok) return browser;
		const said = placeless(browser.record, command);
		expect(wire(here.entries.map(said))).toEqual(wire(decided.map(said)));
		for (const { kind } of entries) accepted.add(kind);
		return browser.apply(...wire(entries));
	} catch (problem) {
		if (!(problem instanceof Problem)) throw problem;
		if (here.ok) throw problem;
		const said = ({ status, message, faults, extra }: Problem) => [status, message, faults, extra];
		expect(wire(said(here.problem))).toEqual(wire(said(problem)));
		return browser;
	}
}

const photo = `data:image/png;base64,${(
	await sharp({ create: { width: 8, height: 6, channels: 3, background: '#446688' } })
		.png()
		.toBuffer()
).toString('base64')}`;

/** A job with its car changed, a photo, random entries, and perhaps signed. */
async function randomBook(g: GeneratorValue, order: readonly KindName[]): Promise<string> {
	const id = await shop.job(['FL', 'FR']);
	const { vehicle } = await shop.record(id);
	const { id: vehicleId, plate, make, model } = vehicle;
	const input = shop.vehicleInput({ plate, make, model, owner: words(g) }) as VehicleInput;
	const change = { ...input, id: vehicleId, version: vehicle.version, jobId: id };
	await changeVehicle(shop.db, vehicleId, change, shop.lead);
	await addPhoto(
		shop.db,
		id,
		{
			id: uuidv7(),
			corner: corner(g),
			subject: 'damper-oil',
			note: words(g),
			takenAt: new Date().toISOString(),
			image: photo
		},
		{ person: shop.technician },
		shrink
	);
	let browser = await readJob(shop.db, id);
	for (const { kind } of browser.entries) accepted.add(kind);
	const started = Date.now() - 12 * 3_600_000;
	const first: KindName[] = ['offset', 'torque', 'scope', 'step', 'step'];
	const by = { enteredAt: new Date(started).toISOString() };
	const otherSchool = { kind: 'head', subject: 'car', data: { school: 'ground-to-arch' } };
	if (books++ % 2)
		browser = await sayAtBoth(id, browser, { id: uuidv7(), ...otherSchool, ...by }, shop.lead);
	const pull = {
		kind: 'torque',
		subject: browser.record.joints.find(({ kind }) => kind === 'rigid')!.id,
		data: { torque: '62 ft-lb', carState: 'hanging', wrenchId: wrench.id, wrench: wrench.name }
	};
	browser = await sayAtBoth(id, browser, { id: uuidv7(), ...pull, ...by }, shop.technician);
	const specified = {
		kind: 'joint',
		subject: browser.record.joints.find(({ kind }) => kind === 'ball-joint')!.id,
		data: { torque: '65 N·m', torqueSource: 'maker' }
	};
	browser = await sayAtBoth(id, browser, { id: uuidv7(), ...specified, ...by }, shop.technician);
	const tell = async (said: object, at = started) => {
		const enteredAt = new Date(at).toISOString();
		const told = { id: uuidv7(), ...said, enteredAt };
		browser = await sayAtBoth(id, browser, told, shop.lead);
		return told.id;
	};
	// What chance alone seldom comes to: a bush outside its band that is accepted, a step with its time, and
	// what a lead says of a job that is closed.
	if (books === 1) {
		const subject = browser.record.joints.find(({ kind }) => kind === 'bonded-bush')!.id;
		const off = { carState: 'loaded', method: 'on-wheels', hubToArch: '385' };
		const torqueId = await tell({ kind: 'torque', subject, data: { torque: '110', ...off } });
		const reason = 'the arm is renewed next week';
		await tell({ kind: 'accepted', subject, data: { torqueId, reason } });
	}
	if (books === 2) {
		const damper = { damper: true, spring: false, bushes: false };
		await tell({ kind: 'scope', subject: 'front', data: damper });
		const step = { kind: 'step', subject: browser.work.order.steps[0]!.id };
		await tell({ ...step, data: { state: 'started', note: '' } });
		const overrideReason = 'the lead has looked at it';
		const done = { state: 'done', note: '', overrideReason };
		await tell({ ...step, data: done }, started + 600_000);
		await tell({ kind: 'step', subject: 'front/links-off', data: done });
	}
	if (books === 3) {
		for (const kind of ['signed', 'retorque', 'addendum'] as const)
			await tell({ kind, ...makers[kind]!(g, browser.record) });
	}
	for (const [i, kind] of [...first, ...order].entries()) {
		const { record } = browser;
		const earlier = record.entries.filter((entry) => entry.kind === kind);
		const said: Said =
			earlier.length && g(fc.integer, { min: 0, max: 9 }) === 0
				? (({ subject, id: again }) => ({ subject, again }))(oneOf(g, earlier))
				: makers[kind]!(g, record);
		const given = {
			id: uuidv7(),
			kind,
			...said,
			enteredAt: new Date(started + i * g(fc.integer, { min: 1, max: 8 }) * 60_000).toISOString(),
			...(g(fc.boolean) && { seen: g(fc.integer, { min: 0, max: record.seq }) }),
			...(g(fc.boolean) && { device: oneOf(g, ['tablet-1', 'tablet-2']) })
		};
		browser = await sayAtBoth(id, browser, given, g(fc.boolean) ? shop.lead : shop.technician);
	}
	// The copy in the browser is the server's, fact by fact.
	expect(browser.record).toEqual(wire((await readJob(shop.db, id)).record));
	return id;
}

/** Through the file into another shop, and out as a table. */
async function carryAround(id: string): Promise<void> {
	const job = await readJob(shop.db, id);
	const file = wire(await sealedJobFile(shop.db, job, shop.sealer));
	const read = validate<JobFile>(jobFileSchema, file, { now: Date.now() });
	if (!read.ok) throw new Error(JSON.stringify(read.faults));
	await importJob(there.db, read.value, there.lead);
	const brought = await listEntries(there.db, id);
	expect(brought.slice(0, -1)).toEqual(job.entries);
	expect(brought.at(-1)!.data).toMatchObject({ verified: true, from: 'The other shop' });
	accepted.add('imported');
	expect(proveBook(await there.record(id)).holds).toBe(true);
	expect(proveBook(job.record)).toMatchObject({ holds: true, entries: job.entries.length });

	const { data: rows } = Papa.parse<Record<string, string>>(bookCsv(job.record).trim(), {
		header: true
	});
	const inTable = rows.map((row) => [row.seq, row.id, row.kind, row.subject, row.data]);
	expect(inTable).toEqual(
		job.entries.map((entry) => [
			String(entry.seq),
			entry.id,
			entry.kind,
			entry.subject,
			JSON.stringify(entry.data)
		])
	);
	expect(rows.every((row) => row.words)).toBe(true);
}

beforeAll(async () => {
	const { keyId, publicKey } = await signingKey(shop.db, shop.sealer.folder);
	const name = 'The other shop';
	await putKnownShop(there.db, { keyId, publicKey, name, addedBy: there.lead.id });
});

/** What is said of a job that is not signed. */
const whileOpen = saidKinds.filter((kind) => !['signed', 'retorque', 'addendum'].includes(kind));

describe('every kind of fact', () => {
	it('is the same in browser, server, file and table, whatever is said in whatever order', async () => {
		await fc.assert(
			fc.asyncProperty(
				fc.gen(),
				fc.shuffledSubarray(whileOpen, { minLength: 8 }),
				fc.array(
					fc.constantFrom<KindName>(
						'reading',
						'torque',
						'torque',
						'accepted',
						'joint',
						'target',
						'note',
						'step',
						'head'
					)
				),
				fc.boolean(),
				async (g, order, more, sign) => {
					const end: KindName[] = sign
						? ['signed', 'retorque', 'note', 'reading', 'addendum', 'target', 'signed']
						: [];
					// The first books have every kind, so that none is left to chance.
					const every = books < 4 ? whileOpen : [];
					await carryAround(await randomBook(g, [...order, ...every, ...more, ...end]));
				}
			),
			{ seed: seedOfTheDay('books'), numRuns: 4, endOnFailure: true }
		);
		const missing = kinds.map(({ kind }) => kind).filter((kind) => !accepted.has(kind));
		expect(missing).toEqual([]);
	});

	it('leaves projections that a rebuild makes again, in the shop that wrote and in the one that imported', async () => {
		for (const one of [shop, there]) {
			const kept = await one.projections(projectionTables);
			for (const table of projectionTables) {
				// Another shop's pace is not learned from.
				const ours = ['step_times', 'links_undone'].includes(table);
				if (one === there && ours) expect(kept[table]).toHaveLength(0);
				else expect(kept[table], table).not.toHaveLength(0);
			}
			await one.rebuild();
			expect(await one.projections(projectionTables)).toEqual(kept);
		}
	});
});

it('one decide: browser, server and device line ask the core, and nothing else decides', () => {
	const source = (path: string) => readFileSync(path, 'utf8');
	expect(source('src/core/job/book/job.ts')).toContain(
		"import { decide, type Decision } from './decide.ts'"
	);
	for (const path of ['src/lib/client/job-state.svelte.ts', 'src/lib/server/jobs/book.ts'])
		expect(source(path)).toMatch(/\bjob\.decide\(command, context\)/);
	expect(source('src/lib/server/devices/readings.ts')).toMatch(/\bawait tell\(tx, /);
});
