import { db } from '$lib/server/app';
import { findVehicle } from '$lib/server/db/vehicles';
import { searchJobs } from '$lib/server/jobs/load';
import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
	const car = await findVehicle(db, params.id);
	if (!car) error(404, 'There is no such car.');
	return { title: car.plate, car, jobs: await searchJobs(db, { search: '', vehicleId: car.id }) };
};
