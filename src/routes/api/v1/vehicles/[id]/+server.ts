import { body, endpoint, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { findVehicle } from '$lib/server/db/vehicles';
import { announce } from '$lib/server/live';
import { notFound } from '$core/problem';
import { changeVehicle, type VehicleInput } from '$lib/server/vehicles';

export const GET = endpoint(async ({ params }) => {
	const vehicle = await findVehicle(db, params.id!);
	if (!vehicle) throw notFound('car');
	return vehicle;
});

/** Writes the whole car; `version` is the one it was read at. Its open jobs are told. */
export const PUT = endpoint(async (event) => {
	const input = await body<VehicleInput & { version: number; jobId?: string }>(event);
	const { version, told } = await changeVehicle(db, event.params.id!, input, person(event));
	for (const { jobId, entries } of told) announce(jobId, entries);
	return { version };
});
