import { body, endpoint, json } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { searchVehicles } from '$lib/server/db/vehicles';
import { createVehicle, type VehicleInput } from '$lib/server/vehicles';

/** Cars that match ?search=, latest first. */
export const GET = endpoint(async ({ url }) => ({
	vehicles: await searchVehicles(db, url.searchParams.get('search') ?? '', 100)
}));

export const POST = endpoint(async (event) => {
	const vehicle = await createVehicle(db, await body<VehicleInput>(event));
	return json({ id: vehicle.id }, 201);
});
