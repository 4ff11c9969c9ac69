import { v7 as uuidv7 } from 'uuid';
import type { Entry } from '../../../core/job/book/entry.ts';
import { Job } from '../../../core/job/book/job.ts';
import type { KindData } from '../../../core/job/kinds/data.ts';
import type { PersonName, Vehicle } from '../../../core/job/model.ts';
import type { Fault } from '../../../core/result.ts';
import { toJobFile, type JobFile } from '../../schema/job-file.ts';
import { insertEntries } from '../db/entries.ts';
import { findJob, insertJob, nextJobNumber, takeJobNumber } from '../db/jobs.ts';
import { findPerson, insertPerson, listPeople } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { insertSheet, listSheets } from '../db/seals.ts';
import { findShop } from '../db/shop.ts';
import { findVehicle, insertVehicle } from '../db/vehicles.ts';
import { chained } from '../proof/chain.ts';
import { project } from '../jobs/projections.ts';
import { invalid, refuse } from '../../../core/problem.ts';
import { signingKey, signWith, type Sealer } from '../proof/keys.ts';
import { statements } from '../proof/seal.ts';
import { knownSigners } from '../proof/signers.ts';
import { proveFile, type FileProof, type Signers } from '../proof/verify.ts';

/** The file with the shop's seal on it, and the sheets that were sealed. */
export async function sealedJobFile(db: Database, job: Job, sealer: Sealer): Promise<JobFile> {
	const file = toJobFile(job);
	const [shop, key, kept] = [
		await findShop(db),
		await signingKey(db, sealer.folder),
		await listSheets(db, job.name.id)
	];
	const statement = statements.file(job.name.id, file.entries.length, file.head);
	const { keyId, publicKey } = key;
	return {
		...file,
		seal: { keyId, publicKey, shop: shop?.name ?? '', signature: signWith(key, statement) },
		sheets: kept.map(({ seq, sheet, pdf }) => ({ seq, sheet, pdf: pdf.toString('base64') }))
	};
}

export interface ImportOutcome {
	jobId: string;
	number: string;
	/** False: the job was here already and was left as it is. */
	created: boolean;
	/** Sealed by a shop that is known here, and unchanged since. */
	verified: boolean;
	/** That shop. */
	from: string | null;
	/** What was found in the file, line by line. */
	words: string[];
}

/**
 * Recreates a job from its file: same entries, same hashes, and one more that says where it came from. A job
 * or car that is here already is left as it is. Its people are names from there: a file that says something in
 * the name of somebody who works here is refused, unless this shop has sealed it.
 *
 * @param by who brings it in; null: it is the shop's own, as the demo's is, and nothing is added
 * @param prove goes along the chain and the seals; here, where nobody else does
 */
export async function importJob(
	db: Database,
	file: JobFile,
	by: Pick<PersonName, 'id'> | null,
	prove: (file: JobFile, signers: Signers) => Promise<FileProof> | FileProof = proveFile
): Promise<ImportOutcome> {
	const { job, entries, people } = file;
	const faults = crossReferences(entries, people);
	if (faults.length) throw invalid(faults);
	const proof = await prove(file, await knownSigners(db));
	const broken = brokenChain(proof, file);
	if (broken.length) throw invalid(broken);
	const { record } = new Job({ ...job, people }, entries);
	return db.transaction(async (tx) => {
		const { verified, words } = proof;
		const from = proof.by?.name ?? null;
		const own = by === null || (verified && proof.by!.own);
		if (proof.broken) throw refuse('seal', proof.broken);
		const here = await findJob(tx, job.id);
		if (here) {
			return { jobId: here.id, number: here.number, created: false, verified, from, words };
		}
		if (!own) await refuseOwnPeople(tx, people);
		for (const person of people) {
			await keepPerson(tx, person, own ? null : (from ?? 'another shop'));
		}
		await keepVehicle(tx, record.vehicle);
		const year = Number(job.number.slice(0, 4));
		const number = (await takeJobNumber(tx, job.number))
			? job.number
			: await nextJobNumber(tx, year);
		const row = { id: job.id, number, vehicleId: record.vehicle.id };
		await insertJob(tx, row);
		const data = { from, verified, keyId: file.seal?.keyId ?? null, head: file.head };
		const all = by ? [...entries, ...importedEntry(job.id, entries, by.id, data)] : entries;
		await insertEntries(tx, job.id, all);
		const name = { ...row, people: await listPeople(tx) };
		await project(tx, row, new Job(name, []), new Job(name, all), all);
		if (verified) {
			for (const { seq, sheet, pdf } of file.sheets ?? []) {
				await insertSheet(tx, job.id, { seq, sheet, pdf: Buffer.from(pdf, 'base64') });
			}
		}
		return { jobId: job.id, number, created: true, verified, from, words };
	});
}

/** Follows the book that came: who brought it in, from where. */
function importedEntry(
	jobId: string,
	entries: readonly Entry[],
	personId: string,
	data: KindData['imported']
): Entry[] {
	const now = new Date().toISOString();
	return chained(jobId, entries.at(-1), [
		{
			id: uuidv7(),
			kind: 'imported',
			subject: 'car',
			personId,
			device: null,
			enteredAt: now,
			storedAt: now,
			seen: entries.length,
			corrects: null,
			data
		}
	]);
}

/** Nobody brings in what somebody who works here is said to have done. */
async function refuseOwnPeople(db: Database, people: readonly PersonName[]): Promise<void> {
	const faults: Fault[] = [];
	for (const [i, { id, name }] of people.entries()) {
		const known = await findPerson(db, id);
		if (!known || known.shop !== null) continue;
		faults.push({
			field: `people.${i}.id`,
			value: name,
			message: `is ${known.name} of this shop: only a file that this shop has sealed may speak for them`
		});
	}
	if (faults.length) throw invalid(faults);
}

/** A file whose book was changed on the way is not taken. */
function brokenChain({ chain }: FileProof, file: JobFile): Fault[] {
	const { broken, head } = chain;
	if (broken) {
		return [{ field: `entries.${broken.seq - 1}`, message: `does not hold: ${broken.words}` }];
	}
	return head === file.head
		? []
		: [{ field: 'head', message: 'is not the hash of the last entry', value: file.head }];
}

async function keepPerson(db: Database, person: PersonName, shop: string | null): Promise<void> {
	if (await findPerson(db, person.id)) return;
	const handle = `import-${person.id.replaceAll('-', '')}`;
	await insertPerson(db, { ...person, handle, secretHash: null, shop });
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
		need(known, entry.vouchedBy ?? null, `${field}.vouchedBy`, 'person');
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
