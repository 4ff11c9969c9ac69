import { v7 as uuidv7 } from 'uuid';
import type { Corner } from '../../../core/height/corners.ts';
import type { Entry, NewEntry } from '../../../core/job/book/entry.ts';
import { Job } from '../../../core/job/book/job.ts';
import type { JobPurpose } from '../../../core/job/model.ts';
import { inOrder, layoutJoints } from '../../../core/job/kinds/head/decide.ts';
import type { Quantity } from '../../../core/units/parse.ts';
import { listEntries } from '../db/entries.ts';
import { findJob, insertJob, nextJobNumber } from '../db/jobs.ts';
import { listPeople, type Person } from '../db/people.ts';
import { isDuplicate, type Database } from '../db/pool.ts';
import { findShop } from '../db/shop.ts';
import { findVehicle } from '../db/vehicles.ts';
import { refuse } from '../../../core/problem.ts';
import { sameOrRefused } from '../same.ts';
import { append } from './book.ts';

export interface NewJob {
	id: string;
	vehicleId: string;
	complaint: string;
	odometer?: Quantity | null | '';
	corners: Corner[];
	technicianId?: string | null;
	purpose?: JobPurpose;
	/** The wheels come off, though nothing else does. */
	wheelsOff?: boolean;
	promisedAt?: string | null;
}

/**
 * Opens a job with the next number: its book begins with the car as it stands and the joints of its
 * corners' layouts. The same id twice is one job.
 */
export async function openJob(
	db: Database,
	input: NewJob,
	person: Pick<Person, 'id'>,
	{ now = new Date(), device = null }: { now?: Date; device?: string | null } = {}
): Promise<string> {
	try {
		return await db.transaction(async (tx) => {
			if (await findJob(tx, input.id)) return await openedAlready(tx, input, person);
			const vehicle = await findVehicle(tx, input.vehicleId);
			if (!vehicle) throw refuse('vehicleId', 'is not a car of this shop', input.vehicleId);
			const people = await listPeople(tx);
			const { technicianId } = input;
			if (technicianId && !people.some(({ id, active }) => id === technicianId && active)) {
				throw refuse('technicianId', 'is not somebody who works here', technicianId);
			}
			const { resetAboveMm, twistSetDeg, twistAdvisedDeg } = (await findShop(tx))!;
			const number = await nextJobNumber(tx, now.getUTCFullYear());
			const row = { id: input.id, number, vehicleId: vehicle.id };
			await insertJob(tx, row);
			const corners = inOrder(input.corners);
			const common = {
				personId: person.id,
				device,
				enteredAt: now.toISOString(),
				seen: 0,
				corrects: null
			};
			const opened: NewEntry<'opened'> = {
				...common,
				id: input.id,
				kind: 'opened',
				subject: 'car',
				data: {
					number,
					vehicle,
					complaint: input.complaint,
					odometerKm: input.odometer ? input.odometer.si : null,
					odometerEntered: input.odometer ? input.odometer.text : null,
					corners,
					technicianId: technicianId || person.id,
					school: 'hub-to-arch',
					resetAboveMm,
					limits: { setDeg: twistSetDeg, advisedDeg: twistAdvisedDeg },
					...(input.purpose && { purpose: input.purpose }),
					...(input.promisedAt && { promisedAt: input.promisedAt })
				}
			};
			const joints = corners.flatMap((corner) =>
				layoutJoints({ vehicle, purpose: input.purpose }, corner, { key: uuidv7 }).map(
					(draft): NewEntry => ({
						...common,
						...draft,
						...(input.wheelsOff &&
							draft.data.kind === 'wheel' && { data: { ...draft.data, loosened: true } }),
						corrects: null,
						id: uuidv7()
					})
				)
			);
			await append(tx, row, new Job({ ...row, people }, []), [opened, ...joints]);
			return input.id;
		});
	} catch (error) {
		// The same job opened twice at once.
		if (isDuplicate(error) && (await findJob(db, input.id))) {
			return openedAlready(db, input, person);
		}
		throw error;
	}
}

async function openedAlready(
	db: Database,
	input: NewJob,
	person: Pick<Person, 'id'>
): Promise<string> {
	const [opened] = await listEntries(db, input.id);
	const { data, personId } = opened as Entry<'opened'>;
	const { vehicle, ...head } = data;
	sameOrRefused(
		input.id,
		{ ...head, vehicleId: vehicle.id, personId },
		{
			vehicleId: input.vehicleId,
			complaint: input.complaint,
			corners: inOrder(input.corners),
			personId: person.id
		}
	);
	return input.id;
}
