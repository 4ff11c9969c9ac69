import { db } from '$lib/server/app';
import { searchVehicles } from '$lib/server/db/vehicles';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const search = url.searchParams.get('search') ?? '';
	return { title: 'Cars', search, cars: await searchVehicles(db, search, 100) };
};
