import { stageNames, type Stage } from '../../../core/procedure/owed.ts';
import type { JobRecord, PersonName } from '../../../core/job/model.ts';
import { viewJob } from '../../../core/job/view.ts';
import { listLinks } from '../db/chain.ts';
import { findHeightSets, findOffsets, listReadings, listTargets } from '../db/heights.ts';
import { findJob, findSignOff, searchJobIds } from '../db/jobs.ts';
import { listJoints, listTorques } from '../db/joints.ts';
import { listLoadings } from '../db/loadings.ts';
import { listPeople } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { listPhotos } from '../db/photos.ts';
import { listRetorques } from '../db/retorques.ts';
import { findVehicle } from '../db/vehicles.ts';
import { listWork } from '../db/work.ts';
import { notFound } from '../problem.ts';

/** A job with its whole record. */
export async function loadJob(db: Database, id: string): Promise<JobRecord> {
	const found = await findJob(db, id);
	if (!found) throw notFound('job');
	const { vehicleId, ...header } = found;
	const [
		vehicle,
		heightSets,
		offsets,
		readings,
		targets,
		joints,
		torques,
		loadings,
		work,
		photos,
		chain,
		signOff,
		retorques,
		people
	] = await Promise.all([
		findVehicle(db, vehicleId),
		findHeightSets(db, id),
		findOffsets(db, id),
		listReadings(db, id),
		listTargets(db, id),
		listJoints(db, id),
		listTorques(db, id),
		listLoadings(db, id),
		listWork(db, id),
		listPhotos(db, id),
		listLinks(db, id),
		findSignOff(db, id),
		listRetorques(db, id),
		listPeople(db)
	]);
	const named = new Set(
		[header.createdBy, header.technicianId, signOff?.personId]
			.concat(readings.map((r) => r.personId))
			.concat(torques.map((t) => t.personId))
			.concat(loadings.map((l) => l.personId))
			.concat(work.map((w) => w.personId))
			.concat(photos.map((p) => p.personId))
			.concat(retorques.map((r) => r.personId))
	);
	return {
		...header,
		vehicle: vehicle!,
		heightSets,
		offsets,
		readings,
		targets,
		joints,
		torques,
		loadings,
		work,
		photos,
		chain,
		signOff,
		retorques,
		people: people
			.filter((person) => named.has(person.id))
			.map(({ id, name, role }): PersonName => ({ id, name, role }))
	};
}

export interface JobLine {
	id: string;
	number: string;
	complaint: string;
	plate: string;
	car: string;
	owner: string;
	corners: JobRecord['corners'];
	technician: string;
	openedAt: string;
	stage: Stage;
	stageName: string;
	/** Things still owed, on the corners and in all. */
	owed: number;
}

export async function searchJobs(
	db: Database,
	filter: { search: string; vehicleId?: string },
	limit = 60
): Promise<JobLine[]> {
	const ids = await searchJobIds(db, filter, limit);
	return Promise.all(
		ids.map(async (id) => {
			const record = await loadJob(db, id);
			const { stage, owed } = viewJob(record).standing;
			const { vehicle } = record;
			return {
				id,
				number: record.number,
				complaint: record.complaint,
				plate: vehicle.plate,
				car: [vehicle.make, vehicle.model, vehicle.modelYear].filter(Boolean).join(' '),
				owner: vehicle.owner,
				corners: record.corners,
				technician: record.people.find((p) => p.id === record.technicianId)?.name ?? '',
				openedAt: record.openedAt,
				stage,
				stageName: stageNames[stage],
				owed: owed.length
			};
		})
	);
}
