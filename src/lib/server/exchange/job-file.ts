import { effective } from '../../../core/procedure/corrections.ts';
import type { Fault } from '../../../core/result.ts';
import type { JobRecord, PersonName } from '../../../core/job/model.ts';
import { jobFileFormat, jobFileVersion } from '../../schema/job-file.ts';
import { appendReading, putHeightSet, putOffset, putTarget } from '../db/heights.ts';
import { findJob, insertChange, insertJob, insertSignOff, nextJobNumber } from '../db/jobs.ts';
import { appendTorque, insertJoint } from '../db/joints.ts';
import { appendLoading } from '../db/loadings.ts';
import { appendWork } from '../db/work.ts';
import { findPerson, insertPerson } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { insertRetorque } from '../db/retorques.ts';
import { findVehicle, insertVehicle } from '../db/vehicles.ts';
import { invalid, refuse } from '../problem.ts';
import { linkImported, proveChain } from '../proof/chain.ts';

export interface JobFile {
	format: typeof jobFileFormat;
	formatVersion: typeof jobFileVersion;
	/** Without its photos: they stay with the shop and its backups. */
	job: JobRecord;
}

export function toJobFile(job: JobRecord): JobFile {
	return {
		format: jobFileFormat,
		formatVersion: jobFileVersion,
		job: { ...job, photos: [] }
	};
}

export interface ImportOutcome {
	jobId: string;
	number: string;
	/** False: the job was here already and was left as it is. */
	created: boolean;
}

/**
 * Recreates a job from its file: same ids, no duplicates. A job, car or person that is here already is
 * left as it is. People who are not known here are added by name and cannot sign in.
 */
export async function importJob(
	db: Database,
	file: JobFile,
	importedBy: string | undefined
): Promise<ImportOutcome> {
	const { job } = file;
	const faults = [...crossReferences(job), ...brokenChain(job)];
	if (faults.length) throw invalid(faults);
	return db.transaction(async (tx) => {
		const here = await findJob(tx, job.id);
		if (here) return { jobId: here.id, number: here.number, created: false };
		for (const person of job.people) await keepPerson(tx, person);
		await keepVehicle(tx, job);
		const number = await freeNumber(tx, job);
		await insertJob(tx, { ...job, number, vehicleId: job.vehicle.id });
		await insertChange(tx, {
			jobId: job.id,
			version: job.version,
			personId: importedBy ?? job.createdBy,
			what: 'imported from a file'
		});
		for (const phase of ['before', 'after'] as const) {
			const set = job.heightSets[phase];
			if (set) await putHeightSet(tx, job.id, phase, set);
		}
		for (const axle of ['front', 'rear'] as const) {
			const offset = job.offsets[axle];
			if (offset) await putOffset(tx, job.id, axle, offset);
		}
		for (const target of job.targets) await putTarget(tx, job.id, target);
		for (const reading of job.readings) await appendReading(tx, job.id, reading);
		for (const joint of job.joints) await insertJoint(tx, job.id, joint);
		for (const torque of job.torques) await appendTorque(tx, job.id, torque);
		for (const loading of job.loadings) await appendLoading(tx, job.id, loading);
		for (const entry of job.work) await appendWork(tx, job.id, entry);
		await linkImported(tx, job);
		if (job.signOff) await insertSignOff(tx, job.id, job.signOff);
		for (const retorque of job.retorques) await insertRetorque(tx, job.id, retorque);
		return { jobId: job.id, number, created: true };
	});
}

/** A file whose readings or torques were changed on the way is not taken. */
function brokenChain(job: JobRecord): Fault[] {
	const { broken } = proveChain(job);
	return broken
		? [{ field: `job.chain.${broken.seq - 1}`, message: `does not hold: ${broken.words}` }]
		: [];
}

async function keepPerson(db: Database, person: PersonName): Promise<void> {
	if (await findPerson(db, person.id)) return;
	const handle = `import-${person.id}`.slice(0, 40);
	await insertPerson(db, { ...person, handle, secretHash: null });
}

async function keepVehicle(db: Database, { vehicle }: JobRecord): Promise<void> {
	if (await findVehicle(db, vehicle.id)) return;
	const samePlate = await db.row('SELECT id FROM vehicles WHERE plate = ?', [vehicle.plate]);
	if (samePlate) {
		throw refuse(
			'job.vehicle.plate',
			'belongs to another car here: correct the plate of one of them, then import again',
			vehicle.plate
		);
	}
	await insertVehicle(db, vehicle);
}

/** The file's own number unless another job here has it. */
async function freeNumber(db: Database, job: JobRecord): Promise<string> {
	const taken = await db.row('SELECT id FROM jobs WHERE number = ?', [job.number]);
	return taken ? nextJobNumber(db, Number(job.number.slice(0, 4))) : job.number;
}

/** Everything a row names must be in the file, and a correction comes after what it corrects. */
function crossReferences(job: JobRecord): Fault[] {
	const faults: Fault[] = [];
	const people = new Set(job.people.map((person) => person.id));
	const joints = new Set(job.joints.map((joint) => joint.id));
	const need = (known: Set<string>, id: string | null, field: string, what: string) => {
		if (id !== null && !known.has(id))
			faults.push({ field, value: id, message: `names a ${what} that is not in the file` });
	};
	need(people, job.createdBy, 'job.createdBy', 'person');
	need(people, job.technicianId, 'job.technicianId', 'person');
	if (job.signOff) need(people, job.signOff.personId, 'job.signOff.personId', 'person');
	if ((job.signOff === null) !== (job.signedAt === null)) {
		faults.push({
			field: 'job.signedAt',
			value: job.signedAt,
			message: 'a signed job has both signedAt and signOff'
		});
	}
	for (const [i, { personId }] of job.loadings.entries())
		need(people, personId, `job.loadings.${i}.personId`, 'person');
	for (const [i, { personId }] of job.work.entries())
		need(people, personId, `job.work.${i}.personId`, 'person');
	for (const [i, { personId }] of job.retorques.entries())
		need(people, personId, `job.retorques.${i}.personId`, 'person');
	for (const [i, joint] of job.joints.entries()) {
		if (!job.corners.includes(joint.corner)) {
			faults.push({
				field: `job.joints.${i}.corner`,
				value: joint.corner,
				message: 'is not among the job’s corners'
			});
		}
	}
	for (const key of ['readings', 'torques'] as const) {
		const seen = new Set<string>();
		for (const [i, row] of job[key].entries()) {
			const field = `job.${key}.${i}`;
			need(people, row.personId, `${field}.personId`, 'person');
			need(seen, row.correctsId, `${field}.correctsId`, 'row before it');
			if ('jointId' in row) need(joints, row.jointId, `${field}.jointId`, 'joint');
			seen.add(row.id);
		}
	}
	const schools = new Set(effective(job.readings).map((reading) => reading.school));
	if (schools.size > 1 || (schools.size === 1 && !schools.has(job.school))) {
		faults.push({
			field: 'job.readings',
			message: 'heights of different schools are never mixed in one job'
		});
	}
	return faults.slice(0, 50);
}
