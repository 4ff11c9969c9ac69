import { db } from '$lib/server/app';
import { listPeople } from '$lib/server/db/people';
import { listTimedSteps } from '$lib/server/db/work';
import { listWrenches } from '$lib/server/db/wrenches';
import { loadJob } from '$lib/server/jobs/load';
import { orErrorPage } from '$lib/server/page';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	const record = await orErrorPage(loadJob(db, params.id));
	const team = (await listPeople(db)).filter((p) => p.active).map(({ id, name }) => ({ id, name }));
	const wrenches = (await listWrenches(db)).filter(({ retired }) => !retired);
	const timed = await listTimedSteps(db);
	return { title: `${record.vehicle.plate} ${record.number}`, record, team, wrenches, timed };
};
