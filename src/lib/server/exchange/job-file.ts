import { v7 as uuidv7 } from 'uuid';
import type { Entry } from '../../../core/job/book/entry.ts';
import { bookOfFirst, type FirstRecord } from '../../../core/job/book/first-record.ts';
import { Job } from '../../../core/job/book/job.ts';
import type { PersonName, Vehicle } from '../../../core/job/model.ts';
import { effective } from '../../../core/procedure/corrections.ts';
import type { Fault } from '../../../core/result.ts';
import { jobFileFormat, jobFileVersion } from '../../schema/job-file.ts';
import { insertEntries } from '../db/entries.ts';
import { findJob, insertJob, nextJobNumber, takeJobNumber } from '../db/jobs.ts';
import { findPerson, insertPerson, listPeople } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { findShop } from '../db/shop.ts';
import { findVehicle, insertVehicle } from '../db/vehicles.ts';
import { chained } from '../jobs/book.ts';
import { project } from '../jobs/projections.ts';
import { invalid, refuse } from '../../../core/problem.ts';
import { proveBook } from '../proof/chain.ts';
import { proveFirstChain } from '../proof/first-chain.ts';

/** Without its pictures: they stay with the shop and its backups, their digests are in the book. */
export interface JobFile {
	format: typeof jobFileFormat;
	formatVersion: typeof jobFileVersion;
	job: { id: string; number: string };
	/** Hash of the last entry. */
	head: string;
	entries: readonly Entry[];
	people: PersonName[];
}

/** The file of before there was one book. */
export interface FirstJobFile {
	format: typeof jobFileFormat;
	formatVersion: 1;
	job: FirstRecord;
}

export function toJobFile({ record, entries }: Job): JobFile {
	const { id, number, people } = record;
	return {
		format: jobFileFormat,
		formatVersion: jobFileVersion,
		job: { id, number },
		head: entries.at(-1)!.hash,
		entries,
		people
	};
}

export interface ImportOutcome {
	jobId: string;
	number: string;
	/** False: the job was here already and was left as it is. */
	created: boolean;
}

/**
 * Recreates a job from its file: same entries, same hashes. A job, car or person that is here already is
 * left as it is. People who are not known here are added by name and cannot sign in.
 */
export async function importJob(
	db: Database,
	file: JobFile | FirstJobFile
): Promise<ImportOutcome> {
	const { job, entries, people } = file.formatVersion === 1 ? await carried(db, file) : file;
	const record = new Job({ ...job, people }, entries).record;
	const faults = [...crossReferences(entries, people), ...brokenChain(record, file)];
	if (faults.length) throw invalid(faults);
	return db.transaction(async (tx) => {
		const here = await findJob(tx, job.id);
		if (here) return { jobId: here.id, number: here.number, created: false };
		for (const person of people) await keepPerson(tx, person);
		await keepVehicle(tx, record.vehicle);
		const year = Number(job.number.slice(0, 4));
		const number = (await takeJobNumber(tx, job.number))
			? job.number
			: await nextJobNumber(tx, year);
		const row = { id: job.id, number, vehicleId: record.vehicle.id };
		await insertJob(tx, row);
		await insertEntries(tx, job.id, entries);
		const name = { ...row, people: await listPeople(tx) };
		await project(tx, row, new Job(name, []), new Job(name, entries), entries);
		return { jobId: job.id, number, created: true };
	});
}

/** A file of before, as the book it becomes. */
async function carried(
	db: Database,
	{ job }: FirstJobFile
): Promise<Pick<JobFile, 'job' | 'entries' | 'people'>> {
	const faults = firstReferences(job);
	if (faults.length) throw invalid(faults);
	const shop = await findShop(db);
	const storedAt = new Date().toISOString();
	const loose = bookOfFirst(job, {
		limits: { setDeg: shop?.twistSetDeg ?? 2, advisedDeg: shop?.twistAdvisedDeg ?? 5 },
		changes: [],
		storedAt: () => storedAt,
		key: uuidv7
	});
	const entries = chained(job.id, undefined, loose);
	const broken = proveFirstChain(job.id, entries, job.chain);
	if (broken) throw invalid([{ field: 'job.chain', message: `does not hold: ${broken}` }]);
	return { job: { id: job.id, number: job.number }, entries, people: job.people };
}

/** A file whose book was changed on the way is not taken. */
function brokenChain(record: Job['record'], file: JobFile | FirstJobFile): Fault[] {
	if (file.formatVersion === 1) return [];
	const { broken, head } = proveBook(record);
	if (broken) {
		return [{ field: `entries.${broken.seq - 1}`, message: `does not hold: ${broken.words}` }];
	}
	return head === file.head
		? []
		: [{ field: 'head', message: 'is not the hash of the last entry', value: file.head }];
}

async function keepPerson(db: Database, person: PersonName): Promise<void> {
	if (await findPerson(db, person.id)) return;
	const handle = `import-${person.id.replaceAll('-', '')}`;
	await insertPerson(db, { ...person, handle, secretHash: null });
}

async function keepVehicle(db: Database, vehicle: Vehicle): Promise<void> {
	if (await findVehicle(db, vehicle.id)) return;
	const samePlate = await db.row('SELECT id FROM vehicles WHERE plate = ?', [vehicle.plate]);
	if (samePlate) {
		throw refuse(
			'vehicle.plate',
			'belongs to another car here: correct the plate of one of them, then import again',
			vehicle.plate
		);
	}
	await insertVehicle(db, vehicle);
}

/** Everything an entry names must be in the file, and a correction comes after what it corrects. */
function crossReferences(entries: readonly Entry[], people: readonly PersonName[]): Fault[] {
	const faults: Fault[] = [];
	const known = new Set(people.map(({ id }) => id));
	const seen = new Set<string>();
	const joints = new Set(entries.filter(({ kind }) => kind === 'joint').map((e) => e.subject));
	const need = (set: Set<string>, id: string | null, field: string, what: string) => {
		if (id !== null && !set.has(id))
			faults.push({ field, value: id, message: `names a ${what} that is not in the file` });
	};
	for (const [i, entry] of entries.entries()) {
		const field = `entries.${i}`;
		if ((entry.kind === 'opened') !== (i === 0)) {
			faults.push({
				field: `${field}.kind`,
				value: entry.kind,
				message: 'a book begins with its opening, once'
			});
		}
		need(known, entry.personId, `${field}.personId`, 'person');
		if ('technicianId' in entry.data) {
			need(known, entry.data.technicianId, `${field}.data.technicianId`, 'person');
		}
		if (entry.kind === 'torque' || entry.kind === 'skip') {
			need(joints, entry.subject, `${field}.subject`, 'joint');
		}
		// A note on the car may be of another job of it.
		if (entry.kind !== 'note') need(seen, entry.corrects, `${field}.corrects`, 'entry before it');
		seen.add(entry.id);
	}
	return faults.slice(0, 50);
}

/** The same for a file of before, in its own words. */
function firstReferences(job: FirstRecord): Fault[] {
	const faults: Fault[] = [];
	const fault = (field: string, message: string, value?: unknown) =>
		faults.push({ field, message, value });
	if ((job.signOff === null) !== (job.signedAt === null)) {
		fault('job.signedAt', 'a signed job has both signedAt and signOff', job.signedAt);
	}
	for (const [i, joint] of job.joints.entries()) {
		if (!job.corners.includes(joint.corner)) {
			fault(`job.joints.${i}.corner`, 'is not among the job’s corners', joint.corner);
		}
	}
	const schools = new Set(effective(job.readings).map((reading) => reading.school));
	if (schools.size > 1 || (schools.size === 1 && !schools.has(job.school))) {
		fault('job.readings', 'heights of different schools are never mixed in one job');
	}
	return faults.slice(0, 50);
}
