import { db } from '$lib/server/app';
import { listPeople } from '$lib/server/db/people';
import { findVehicle, searchVehicles } from '$lib/server/db/vehicles';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const search = url.searchParams.get('search') ?? '';
	const carId = url.searchParams.get('car');
	return {
		title: 'Open a job',
		search,
		car: carId ? await findVehicle(db, carId) : undefined,
		cars: carId ? [] : await searchVehicles(db, search, 12),
		people: (await listPeople(db)).filter((p) => p.active).map(({ id, name }) => ({ id, name }))
	};
};
