/** Loads the demo shop: its jobs as files of the open format, through the same code that a user's import uses. */
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
import { v7 as uuidv7 } from 'uuid';
import { calibration } from '../src/core/fastener/wrench.ts';
import { jobFileSchema } from '../src/lib/schema/job-file.ts';
import { validate, faultLine } from '../src/core/validate.ts';
import { putSlot } from '../src/lib/server/db/bays.ts';
import { listJobs, type JobRow } from '../src/lib/server/db/jobs.ts';
import { findPerson } from '../src/lib/server/db/people.ts';
import type { Database } from '../src/lib/server/db/pool.ts';
import { createShop } from '../src/lib/server/db/shop.ts';
import { insertCalibration, insertWrench, listWrenches } from '../src/lib/server/db/wrenches.ts';
import { addDevice } from '../src/lib/server/devices/devices.ts';
import { importJob } from '../src/lib/server/exchange/job-file.ts';
import type { JobFile } from '../src/lib/schema/job-file.ts';
import { append, readJob, tell } from '../src/lib/server/jobs/book.ts';
import type { Sealer } from '../src/lib/server/proof/keys.ts';
import { sealSignature } from '../src/lib/server/proof/seal.ts';
import { createPerson } from '../src/lib/server/people.ts';
import { bayPlan, devices, people, promises, shopName, shopUnits, wrenches } from './shop.ts';
import { demoJobs } from './tell.ts';

/** The rack, each wrench with one calibration at 20, 60 and 100 % of its range, and the devices. */
async function loadRack(db: Database): Promise<void> {
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
			personId: people[0].id
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
async function placeCars(db: Database): Promise<void> {
	for (const { number, bay, day, hour, minutes } of bayPlan) {
		const [job] = await listJobs(db, [number]);
		if (!job) continue;
		const { id: jobId } = job;
		const startsAt = addHours(demoDay(day), hour).toISOString();
		await putSlot(db, { jobId, bay, startsAt, minutes, version: 1, comesAt: null });
	}
}

/** What customers were told, by the lead who opened their jobs. */
async function promise(db: Database): Promise<void> {
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
		await tell(db, job.id, command, { person: people[0] });
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
	for (const { pin, ...person } of people) {
		if (!(await findPerson(db, person.id))) await createPerson(db, { ...person, secret: pin });
	}
	if ((await listWrenches(db)).length === 0) await db.transaction(loadRack);
	for (const file of demoJobs()) {
		const checked = validate<JobFile>(jobFileSchema, file, { now: Date.now() });
		if (!checked.ok)
			throw new Error(`${file.job.number}: ${checked.faults.map(faultLine).join('; ')}`);
		await importJob(db, checked.value, null);
	}
	await placeCars(db);
	await promise(db);
	// Last: an interrupted load is seen as no shop, and starts over with what is here already.
	await db.transaction(async (tx) => {
		await createShop(tx, shopName, shopUnits);
		for (const row of await listJobs(tx)) await sealDemo(tx, row, sealer);
	});
}
