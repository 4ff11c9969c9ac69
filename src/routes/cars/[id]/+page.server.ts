import { pageOf } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { findJob } from '$lib/server/db/jobs';
import { listCarNotes } from '$lib/server/db/projections';
import { findMeasuredIn, findVehicle } from '$lib/server/db/vehicles';
import { carHistory, searchJobs } from '$lib/server/jobs/lists';
import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, url }) => {
	const car = await findVehicle(db, params.id);
	if (!car) error(404, 'There is no such car.');
	const page = pageOf(url);
	const measuredIn = await findMeasuredIn(db, car.id);
	const jobs = await searchJobs(db, { vehicleId: car.id, page });
	return {
		title: car.plate,
		car,
		page,
		jobs,
		history: await carHistory(db, [...jobs.open, ...jobs.signed]),
		notes: await listCarNotes(db, car.id),
		measuredIn: measuredIn && (await findJob(db, measuredIn))
	};
};
