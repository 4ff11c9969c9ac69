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
import { corners } from '../../src/core/height/corners.ts';
import { readCommand } from '../../src/core/job/book/command.ts';
import type { Entry, NewEntry } from '../../src/core/job/book/entry.ts';
import { Job } from '../../src/core/job/book/job.ts';
import { demoFile } from '../../src/core/job/demo-jobs.testing.ts';
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
import { owedLine } from '../../src/core/procedure/owed.ts';
import { viewJob } from '../../src/core/job/view.ts';
import { putKnownShop } from '../../src/lib/server/db/seals.ts';
import { signingKey } from '../../src/lib/server/proof/keys.ts';
import { proveBook } from '../../src/lib/server/proof/chain.ts';
import { changeVehicle, type VehicleInput } from '../../src/lib/server/vehicles.ts';
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

interface Said {
	subject: string;
	data?: object;
	corrects?: string;
	again?: string;
}
type Maker = (g: GeneratorValue, record: JobRecord) => Said;

const oneOf = <T>(g: GeneratorValue, list: readonly T[]): T =>
	list[g(fc.integer, { min: 0, max: list.length - 1 })]!;
const corner = (g: GeneratorValue) => oneOf(g, corners);
const mm = (g: GeneratorValue, min: number, max: number) => `${g(fc.integer, { min, max })} mm`;
const words = (g: GeneratorValue) =>
	oneOf(g, ['waits for a bolt', 'wie beim letzten Mal', '<b>é🚗"']);

/** Entries of the demo shop: kinds that are said as they are kept are said again. */
const demoEntries = ['2026-0260', '2026-0268', '2026-0269'].flatMap(
	(number) => demoFile(number).entries
);
const asInDemo =
	(kind: KindName): Maker =>
	(g) => {
		const { subject, data } = oneOf(
			g,
			demoEntries.filter((entry) => entry.kind === kind)
		);
		return { subject, data };
	};

/** What may be said of each kind; null where another door leads in. A new kind is made to add its own. */
const makers: { [K in KindName]: Maker | null } = {
	opened: null,
	sealed: null,
	imported: null,
	car: null,
	carried: null,
	head: (g) =>
		oneOf(g, [
			{ subject: 'car', data: { complaint: words(g) } },
			{ subject: 'car', data: { odometer: `${g(fc.integer, { min: 0, max: 300_000 })} km` } },
			{ subject: 'corners', data: { corners: g(fc.subarray, [...corners], { minLength: 1 }) } },
			{ subject: 'car', data: { resetAbove: mm(g, 1, 200) } },
			{ subject: 'car', data: { school: 'ground-to-arch' } }
		]),
	symptoms: asInDemo('symptoms'),
	rust: asInDemo('rust'),
	finding: asInDemo('finding'),
	bounce: asInDemo('bounce'),
	photo: (g, { photos }) => ({
		subject: photos.length ? oneOf(g, photos).id : uuidv7(),
		data: { withdrawn: g(fc.boolean) }
	}),
	conditions: (g) => ({
		subject: oneOf(g, ['before', 'after']),
		data: {
			resolution: oneOf(g, ['1', '0.5 mm', '1/16 in']),
			conditions: {
				levelFloor: g(fc.boolean),
				rolledAndBounced: true,
				steeringAhead: g(fc.boolean),
				brakesOff: true,
				tyrePressures: words(g),
				fuel: 'half',
				load: ''
			}
		}
	}),
	offset: (g) => ({ subject: oneOf(g, ['front', 'rear']), data: { offset: mm(g, -400, 400) } }),
	reading: (g, { readings, school }) =>
		readings.length > 2 && g(fc.boolean)
			? (({ id, phase, corner: at }) => ({
					subject: at,
					corrects: id,
					data: { phase, school: 'hub-to-arch', withdraw: true }
				}))(oneOf(g, readings))
			: {
					subject: corner(g),
					data: {
						phase: oneOf(g, ['before', 'after']),
						school: oneOf(g, [school, school, 'ground-to-sill']),
						height: oneOf(g, ['365', '14 3/8 in', '36 cm', '9999'])
					}
				},
	scope: asInDemo('scope'),
	strategy: asInDemo('strategy'),
	prices: asInDemo('prices'),
	decision: asInDemo('decision'),
	part: asInDemo('part'),
	order: (g, record) => ({
		subject: 'car',
		data: {
			ids: g(
				fc.subarray,
				new Job(
					{ id: record.id, number: record.number, people: [] },
					record.entries
				).work.order.steps.map(({ id }) => id)
			)
		}
	}),
	step: (g, record) => {
		const { steps } = new Job({ id: record.id, number: record.number, people: [] }, record.entries)
			.work.order;
		const begun = record.entries.findLast(({ kind }) => kind === 'step') as
			Entry<'step'> | undefined;
		const finish = begun?.data.state === 'started';
		return {
			subject: finish ? begun.subject : steps.length ? oneOf(g, steps.slice(0, 4)).id : 'car/soak',
			data: {
				state: finish ? 'done' : oneOf(g, ['started', 'started', 'open']),
				note: words(g),
				...(finish && { overrideReason: 'the lead has looked at it' })
			}
		};
	},
	tray: asInDemo('tray'),
	comparison: asInDemo('comparison'),
	compressor: asInDemo('compressor'),
	'arm-spring': (g) => ({
		subject: corner(g),
		data: {
			input: {
				rateNPerMm: g(fc.integer, { min: 10, max: 60 }),
				freeLengthMm: 300,
				droopLengthMm: 240,
				lengthPerJackMm: 0.7
			},
			typed: { rateNPerMm: '30' }
		}
	}),
	stack: (g) => ({
		subject: corner(g),
		data: {
			order: ['damper', 'lower-pad', 'spring'].slice(0, g(fc.integer, { min: 0, max: 3 })),
			checks: { strokes: g(fc.integer, { min: 0, max: 9 }) },
			typed: {}
		}
	}),
	target: (g) => ({
		subject: corner(g),
		data: oneOf(g, [
			{ source: 'chosen', height: mm(g, 300, 400) },
			{ source: 'chosen', height: null },
			{ source: 'maker', height: mm(g, 300, 400) }
		])
	}),
	joint: (g, { joints }) =>
		oneOf(g, [
			{
				subject: oneOf(g, joints).id,
				data: { name: words(g), torque: oneOf(g, ['62 ft-lb', '110', null]), torqueSource: 'maker' }
			},
			{ subject: oneOf(g, joints).id, data: { loosened: g(fc.boolean) } },
			{ subject: oneOf(g, joints).id, data: { remove: true } },
			{
				subject: uuidv7(),
				data: { corner: corner(g), name: 'Skid plate bolts', kind: 'rigid', rule: 'any-time' }
			}
		]),
	loading: (g) => ({
		subject: corner(g),
		data: { method: oneOf(g, ['on-wheels', 'jack-to-height']), hubToArch: mm(g, 300, 400) }
	}),
	torque: (g, { joints }) => ({
		subject: oneOf(g, g(fc.boolean) ? joints : joints.filter(({ kind }) => kind === 'bonded-bush'))
			.id,
		data: oneOf(g, [
			{ torque: oneOf(g, ['25', '62 ft-lb']), carState: 'hanging' },
			{
				torque: '110',
				carState: 'loaded',
				method: 'on-wheels',
				hubToArch: oneOf(g, ['365', '345', '388', '14 3/8 in']),
				loosenedFirst: g(fc.boolean)
			},
			{ seen: 'shoulder', carState: 'hanging' }
		])
	}),
	hardware: (g, { joints }) => ({
		subject: oneOf(
			g,
			joints.filter(({ oneTime }) => oneTime)
		).id,
		data: {
			fastener: oneOf(g, [
				{ done: 'renewed' },
				{ done: 'reused', reason: words(g), grip: '2.5' },
				null
			])
		}
	}),
	accepted: (g, record) => {
		const off = [...viewJob(record).torques.values()].find(
			({ bush }) => bush?.verdict === 're-set-advised'
		);
		return {
			subject: off?.jointId ?? oneOf(g, record.joints).id,
			data: { torqueId: off?.id ?? uuidv7(), reason: 'the arm is renewed next week' }
		};
	},
	down: (g) => ({ subject: 'car', data: { onWheels: g(fc.boolean) } }),
	addendum: () => ({ subject: 'car', data: { reason: 'a height was typed for the wrong side' } }),
	skip: (g, { joints }) => ({
		subject: oneOf(g, joints).id,
		data: { reason: words(g), carState: 'hanging' }
	}),
	note: (g, { entries }) => {
		const said = entries.filter(({ kind }) => kind === 'note');
		return said.length && g(fc.boolean)
			? { subject: 'car', corrects: oneOf(g, said).id, data: { withdraw: true } }
			: { subject: 'car', data: { text: words(g) } };
	},
	signed: (_, record) => ({
		subject: 'car',
		data: {
			over: viewJob(record).standing.owed.map((item) => ({
				item: owedLine(item),
				reason: 'the owner wants to drive it home'
			}))
		}
	}),
	retorque: (g) => ({
		subject: 'car',
		data: { torque: '120', found: oneOf(g, ['held', 'moved']), odometer: '120100 km' }
	})
};
const saidKinds = (Object.keys(makers) as KindName[]).filter((kind) => makers[kind] !== null);

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
		await tell({ ...step, data: { state: 'done', note: '', overrideReason } }, started + 600_000);
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

describe('every kind of fact', () => {
	it('is the same in browser, server, file and table, whatever is said in whatever order', async () => {
		await fc.assert(
			fc.asyncProperty(
				fc.gen(),
				fc.shuffledSubarray(
					saidKinds.filter((kind) => !['signed', 'retorque', 'addendum'].includes(kind)),
					{ minLength: 8 }
				),
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
					await carryAround(await randomBook(g, [...order, ...more, ...order, ...end]));
				}
			),
			{ numRuns: 12, endOnFailure: true }
		);
		// Each was taken at least once; what was carried over has a test of its own.
		const missing = kinds.map(({ kind }) => kind).filter((kind) => !accepted.has(kind));
		expect(missing).toEqual(['carried']);
	});

	it('leaves projections that a rebuild makes again, in the shop that wrote and in the one that imported', async () => {
		for (const one of [shop, there]) {
			const kept = await one.projections(projectionTables);
			for (const table of projectionTables) {
				// Another shop's pace is not learned from.
				if (one === there && table === 'step_times') expect(kept[table]).toHaveLength(0);
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
