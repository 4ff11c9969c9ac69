import { v7 as uuidv7 } from 'uuid';
import { jointFromLayout } from '../../../core/job/joints.ts';
import { axleOf, corners as allCorners, type Corner } from '../../../core/height/corners.ts';
import { schools } from '../../../core/height/schools.ts';
import { findLayout } from '../../../core/layout/catalogue.ts';
import type { Quantity } from '../../../core/units/parse.ts';
import type { JobHeader, Vehicle } from '../../../core/job/model.ts';
import { listReadings } from '../db/heights.ts';
import { findJob, insertChange, insertJob, nextJobNumber } from '../db/jobs.ts';
import { deleteJoint, insertJoint, listJoints, listTorques } from '../db/joints.ts';
import { findPerson } from '../db/people.ts';
import { isDuplicate, type Database } from '../db/pool.ts';
import { findShop } from '../db/shop.ts';
import { findVehicle } from '../db/vehicles.ts';
import { refuse } from '../problem.ts';
import { changeJob } from './change.ts';
import { withUnit } from './heights.ts';

export interface NewJob {
	id: string;
	vehicleId: string;
	complaint: string;
	odometer?: Quantity | null | '';
	corners: Corner[];
	technicianId?: string | null;
}

/** Opens a job with the next number and the joints of its corners' layouts; the same id twice is one job. */
export async function createJob(
	db: Database,
	input: NewJob,
	personId: string,
	now: Date
): Promise<string> {
	try {
		return await db.transaction(async (tx) => {
			if (await findJob(tx, input.id)) return input.id;
			const vehicle = await findVehicle(tx, input.vehicleId);
			if (!vehicle) throw refuse('vehicleId', 'is not a car of this shop', input.vehicleId);
			await checkTechnician(tx, input.technicianId);
			const corners = inOrder(input.corners);
			await insertJob(tx, {
				id: input.id,
				vehicleId: input.vehicleId,
				number: await nextJobNumber(tx, now.getUTCFullYear()),
				complaint: input.complaint,
				odometerKm: input.odometer ? input.odometer.si : null,
				odometerEntered: input.odometer ? input.odometer.text : null,
				corners,
				technicianId: input.technicianId || personId,
				school: 'hub-to-arch',
				openedAt: now.toISOString(),
				createdBy: personId,
				signedAt: null,
				resetAboveMm: (await findShop(tx))!.resetAboveMm,
				version: 1
			});
			await insertChange(tx, { jobId: input.id, version: 1, personId, what: 'opened the job' });
			for (const corner of corners) await addLayoutJoints(tx, input.id, vehicle, corner);
			return input.id;
		});
	} catch (error) {
		if (isDuplicate(error)) return createJob(db, input, personId, now); // two jobs took one number
		throw error;
	}
}

export interface JobChangeInput {
	version: number;
	complaint?: string;
	odometer?: Quantity | null | '';
	corners?: Corner[];
	technicianId?: string | null;
	school?: JobHeader['school'];
	resetAbove?: Quantity;
}

export function changeHead(
	db: Database,
	jobId: string,
	input: JobChangeInput,
	personId: string
): Promise<{ version: number }> {
	return changeJob(db, { jobId, version: input.version, personId }, async (tx, job) => {
		const said: string[] = [];
		if (input.complaint !== undefined && input.complaint !== job.complaint) {
			job.complaint = input.complaint;
			said.push(`complaint: ${input.complaint}`);
		}
		if (input.odometer !== undefined) {
			job.odometerKm = input.odometer ? input.odometer.si : null;
			job.odometerEntered = input.odometer ? input.odometer.text : null;
			said.push(`odometer: ${job.odometerEntered ?? 'none'}`);
		}
		if (input.technicianId !== undefined) {
			const technician = await checkTechnician(tx, input.technicianId);
			job.technicianId = input.technicianId || null;
			said.push(`technician: ${technician ?? 'none'}`);
		}
		if (input.school && input.school !== job.school) {
			await checkNoReadings(tx, jobId, input.school);
			job.school = input.school;
			said.push(`heights measured ${schools[input.school].name.toLowerCase()}`);
		}
		if (input.resetAbove) {
			job.resetAboveMm = input.resetAbove.si;
			said.push(`bushes are owed a re-set above ${withUnit(input.resetAbove)}`);
		}
		if (input.corners) {
			const corners = inOrder(input.corners);
			await changeCorners(tx, job, corners);
			job.corners = corners;
			said.push(`corners: ${corners.join(' ')}`);
		}
		return said.join('; ') || 'nothing';
	});
}

const inOrder = (corners: readonly Corner[]) =>
	allCorners.filter((corner) => corners.includes(corner));

async function checkTechnician(
	db: Database,
	id: string | null | undefined
): Promise<string | undefined> {
	if (!id) return undefined;
	const person = await findPerson(db, id);
	if (!person?.active) throw refuse('technicianId', 'is not somebody who works here', id);
	return person.name;
}

async function checkNoReadings(db: Database, jobId: string, school: string): Promise<void> {
	if ((await listReadings(db, jobId)).length) {
		throw refuse(
			'school',
			'cannot change once heights are on record: heights of different schools are never compared as they are',
			school
		);
	}
}

/** Joints of new corners come from the layout; those of dropped corners go, unless they have a record. */
async function changeCorners(
	db: Database,
	job: JobHeader & { vehicleId: string },
	corners: Corner[]
): Promise<void> {
	const joints = await listJoints(db, job.id);
	const recorded = new Set((await listTorques(db, job.id)).map((torque) => torque.jointId));
	for (const joint of joints.filter((j) => !corners.includes(j.corner))) {
		if (recorded.has(joint.id)) {
			throw refuse(
				'corners',
				`${joint.corner} has torques on record and cannot be dropped`,
				joint.corner
			);
		}
		await deleteJoint(db, joint.id);
	}
	const vehicle = (await findVehicle(db, job.vehicleId))!;
	for (const corner of corners.filter((c) => !job.corners.includes(c))) {
		await addLayoutJoints(db, job.id, vehicle, corner);
	}
}

async function addLayoutJoints(
	db: Database,
	jobId: string,
	vehicle: Vehicle,
	corner: Corner
): Promise<void> {
	const layout = findLayout(vehicle.axles[axleOf(corner)].layout)!;
	for (const [position, joint] of layout.joints.entries()) {
		await insertJoint(db, jobId, {
			...jointFromLayout(joint),
			id: uuidv7(),
			corner,
			position
		});
	}
}
