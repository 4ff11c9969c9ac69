import { retorqueDue, type RetorqueDue } from '../../../core/procedure/retorque.ts';
import type { Quantity } from '../../../core/units/parse.ts';
import type { JobRecord, Retorque } from '../../../core/job/model.ts';
import { wheelTorqueNm } from '../../../core/job/retorque.ts';
import { lockJob } from '../db/jobs.ts';
import type { Database } from '../db/pool.ts';
import { findRetorque, insertRetorque, listDueJobIds } from '../db/retorques.ts';
import { notFound, Problem, refuse } from '../problem.ts';
import { withUnit } from './heights.ts';
import { loadJob } from './load.ts';

export interface NewRetorque {
	id: string;
	odometer?: Quantity | '' | null;
	torque: Quantity;
	found: Retorque['found'];
	note: string;
	takenAt: string;
}

/** Records that the wheels were checked. The same id twice is one check. */
export function addRetorque(
	db: Database,
	jobId: string,
	input: NewRetorque,
	personId: string
): Promise<Retorque> {
	return db.transaction(async (tx) => {
		const job = await lockJob(tx, jobId);
		if (!job) throw notFound('job');
		const earlier = await findRetorque(tx, input.id);
		if (earlier) {
			if (earlier.jobId !== jobId) throw new Problem(409, 'That check belongs to another job.');
			return earlier.retorque;
		}
		if (!job.signedAt) {
			throw new Problem(
				409,
				'This job is not signed yet: its wheels are torqued in the job itself.'
			);
		}
		const { odometer } = input;
		if (odometer && job.odometerKm !== null && odometer.si < job.odometerKm) {
			throw refuse(
				'odometer',
				`is less than when the job was opened (${job.odometerEntered ?? job.odometerKm})`,
				odometer.text
			);
		}
		const retorque: Retorque = {
			id: input.id,
			odometerKm: odometer ? odometer.si : null,
			odometerEntered: odometer ? withUnit(odometer) : null,
			torqueNm: input.torque.si,
			entered: withUnit(input.torque),
			found: input.found,
			note: input.note,
			personId,
			takenAt: input.takenAt
		};
		await insertRetorque(tx, jobId, retorque);
		return retorque;
	});
}

/** A car that should come back, as a line of the due list. */
export interface DueLine {
	id: string;
	number: string;
	plate: string;
	car: string;
	owner: string;
	signedAt: string;
	wheelTorqueNm: number | null;
	due: RetorqueDue;
}

const dueLine = (job: JobRecord): DueLine => ({
	id: job.id,
	number: job.number,
	plate: job.vehicle.plate,
	car: [job.vehicle.make, job.vehicle.model, job.vehicle.modelYear].filter(Boolean).join(' '),
	owner: job.vehicle.owner,
	signedAt: job.signedAt!,
	wheelTorqueNm: wheelTorqueNm(job),
	due: retorqueDue(job.odometerKm ?? undefined)
});

export async function dueRetorques(db: Database, limit = 100): Promise<DueLine[]> {
	const ids = await listDueJobIds(db, limit);
	return Promise.all(ids.map(async (id) => dueLine(await loadJob(db, id))));
}
