import { body, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { findVehicle } from '$lib/server/db/vehicles';
import { notFound } from '$lib/server/problem';
import { changeVehicle, type VehicleInput } from '$lib/server/vehicles';
import { vehicleChangeSchema } from '$lib/schema/vehicle';

export const GET = endpoint(async ({ params }) => {
	const vehicle = await findVehicle(db, params.id!);
	if (!vehicle) throw notFound('car');
	return vehicle;
});

/** Writes the whole car; `version` is the one it was read at. */
export const PUT = endpoint(async (event) =>
	changeVehicle(
		db,
		event.params.id!,
		await body<VehicleInput & { version: number }>(event, vehicleChangeSchema)
	)
);
