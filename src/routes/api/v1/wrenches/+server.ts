import { body, endpoint, json, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { listCalibrations, listWrenches } from '$lib/server/db/wrenches';
import { addWrench, type WrenchInput } from '$lib/server/rack';

/** The rack, with every calibration on record. */
export const GET = endpoint(async () => ({
	wrenches: await listWrenches(db),
	calibrations: await listCalibrations(db)
}));

/** Adds a wrench. Leads only. */
export const POST = endpoint(async (event) => {
	lead(event);
	return json(await addWrench(db, await body<WrenchInput>(event)), 201);
});
