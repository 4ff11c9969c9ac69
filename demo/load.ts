/** Loads the demo shop from its open-format files, through the same code that a user's import uses. */
import {
	addBusinessDays,
	addDays,
	addHours,
	formatISO,
	isWeekend,
	nextMonday,
	startOfDay,
	subDays
} from 'date-fns';
import { readdirSync, readFileSync } from 'node:fs';
import { v7 as uuidv7 } from 'uuid';
import type { WrenchKind } from '../src/core/fastener/rack.ts';
import { calibration } from '../src/core/fastener/wrench.ts';
import type { DeviceKind } from '../src/lib/devices/model.ts';
import { jobFileSchema } from '../src/lib/schema/job-file.ts';
import { validate, faultLine } from '../src/core/validate.ts';
import type { Role } from '../src/core/job/model.ts';
import { putSlot } from '../src/lib/server/db/bays.ts';
import { listJobs, type JobRow } from '../src/lib/server/db/jobs.ts';
import { findPerson } from '../src/lib/server/db/people.ts';
import type { Database } from '../src/lib/server/db/pool.ts';
import { createShop } from '../src/lib/server/db/shop.ts';
import { insertCalibration, insertWrench, listWrenches } from '../src/lib/server/db/wrenches.ts';
import { addDevice } from '../src/lib/server/devices/devices.ts';
import type { StandInTokens } from '../devices/stand-ins.ts';
import { importJob } from '../src/lib/server/exchange/job-file.ts';
import type { JobFile } from '../src/lib/schema/job-file.ts';
import { append, readJob, tell } from '../src/lib/server/jobs/book.ts';
import type { Sealer } from '../src/lib/server/proof/keys.ts';
import { sealSignature } from '../src/lib/server/proof/seal.ts';
import { createPerson } from '../src/lib/server/people.ts';

const here = new URL('.', import.meta.url);

interface DemoShop {
	name: string;
	units: { system: 'metric' | 'imperial'; torque: string };
	people: { id: string; handle: string; name: string; role: Role; pin: string }[];
	wrenches: {
		id: string;
		name: string;
		kind: WrenchKind;
		lowestNm: number;
		highestNm: number;
		lengthMm: number;
		/** Days before the demo is loaded that it was last calibrated. */
		daysAgo: number;
	}[];
	bayPlan: { number: string; bay: number; day: number; hour: number; minutes: number }[];
	/** When each is promised, in days from the one on which the demo is loaded. */
	promises: { number: string; day: number; hour: number }[];
	devices: { id: string; name: string; kind: DeviceKind; token: string; wrench: string | null }[];
}

const readShop = () => JSON.parse(readFileSync(new URL('shop.json', here), 'utf8')) as DemoShop;

export const demoPeople = () => readShop().people;
/** What the simulated devices say hello with. */
export function demoTokens(): StandInTokens {
	const { devices } = readShop();
	const of = (kind: DeviceKind) => devices.find((device) => device.kind === kind)!.token;
	return { wrench: of('wrench'), gauge: of('height-gauge'), scales: of('wheel-scales') };
}

/** The rack, each wrench with one calibration at 20, 60 and 100 % of its range, and the devices. */
async function loadRack(db: Database, { wrenches, devices, people }: DemoShop): Promise<void> {
	for (const { daysAgo, ...wrench } of wrenches) {
		await insertWrench(db, {
			...wrench,
			retired: false,
			entered: {
				lowestNm: `${wrench.lowestNm} N·m`,
				highestNm: `${wrench.highestNm} N·m`,
				lengthMm: `${wrench.lengthMm} mm`
			},
			calibratedOn: null,
			passed: false,
			cycles: 0,
			version: 1
		});
		const readings = [0.2, 0.6, 1].map((share, i) => {
			const setNm = share * wrench.highestNm;
			return { setNm, readNm: Number((setNm * [1.012, 0.994, 1.006][i]!).toFixed(2)) };
		});
		await insertCalibration(db, {
			id: uuidv7(),
			wrenchId: wrench.id,
			calibratedOn: formatISO(subDays(Date.now(), daysAgo), { representation: 'date' }),
			readings,
			passed: calibration(readings).passes,
			note: 'Reference at the bench, clockwise',
			personId: people[0]!.id
		});
	}
	for (const { token, wrench, ...device } of devices) {
		const wrenchId = wrenches.find(({ name }) => name === wrench)?.id ?? null;
		await addDevice(db, { ...device, wrenchId }, token);
	}
}

/** The nth working day from the one on which the demo is loaded, 0 the first. */
export function demoDay(n: number): Date {
	const first = startOfDay(Date.now());
	const today = isWeekend(first) ? nextMonday(first) : first;
	return addBusinessDays(today, n);
}

/** Cars in their bays. */
async function placeCars(db: Database, plan: DemoShop['bayPlan']): Promise<void> {
	for (const { number, bay, day, hour, minutes } of plan) {
		const [job] = await listJobs(db, [number]);
		if (!job) continue;
		const { id: jobId } = job;
		const startsAt = addHours(demoDay(day), hour).toISOString();
		await putSlot(db, { jobId, bay, startsAt, minutes, version: 1, comesAt: null });
	}
}

/** What customers were told, by the lead who opened their jobs. */
async function promise(db: Database, { promises, people }: DemoShop): Promise<void> {
	const today = startOfDay(Date.now());
	for (const { number, day, hour } of promises) {
		const [job] = await listJobs(db, [number]);
		if (!job) continue;
		const promisedAt = addHours(addDays(today, day), hour).toISOString();
		const { record } = await readJob(db, job.id);
		if (record.promisedAt) continue;
		const command = {
			id: uuidv7(),
			kind: 'head' as const,
			subject: 'car',
			data: { promisedAt },
			enteredAt: record.openedAt
		};
		await tell(db, job.id, command, { person: people[0]! });
	}
}

/** The demo's key is made where it is loaded: its signed jobs are sealed there. */
async function sealDemo(db: Database, row: JobRow, sealer: Sealer): Promise<void> {
	const job = await readJob(db, row.id);
	const { signOff, seals } = job.record;
	if (!signOff || seals.length) return;
	const signature = job.entries.find(({ id }) => id === signOff.id)!;
	await append(db, row, job, [await sealSignature(db, job, signature, sealer)]);
}

export async function loadDemo(db: Database, sealer: Sealer): Promise<void> {
	const shop = readShop();
	for (const { pin, ...person } of shop.people) {
		if (!(await findPerson(db, person.id))) await createPerson(db, { ...person, secret: pin });
	}
	if ((await listWrenches(db)).length === 0) {
		await db.transaction((tx) => loadRack(tx, shop));
	}
	const folder = new URL('jobs/', here);
	for (const name of readdirSync(folder).sort()) {
		const file = JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as unknown;
		const checked = validate<JobFile>(jobFileSchema, file, { now: Date.now() });
		if (!checked.ok) throw new Error(`${name}: ${checked.faults.map(faultLine).join('; ')}`);
		await importJob(db, checked.value, null);
	}
	await placeCars(db, shop.bayPlan);
	await promise(db, shop);
	// Last: an interrupted load is seen as no shop, and starts over with what is here already.
	await db.transaction(async (tx) => {
		await createShop(tx, shop.name, shop.units);
		for (const row of await listJobs(tx)) await sealDemo(tx, row, sealer);
	});
}
