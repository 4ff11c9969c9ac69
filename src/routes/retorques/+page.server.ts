import { calibrationState } from '$core/fastener/rack';
import { momentsOf } from '$core/units/moments';
import { listWrenches } from '$lib/server/db/wrenches';
import { pageOf } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { dueRetorques } from '$lib/server/jobs/lists';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url, locals }) => {
	const page = pageOf(url);
	const today = momentsOf(() => locals.shop!.clock).isoDay(new Date());
	const [due, wrenches] = await Promise.all([dueRetorques(db, page), listWrenches(db)]);
	const calibrations = wrenches
		.filter(({ retired }) => !retired)
		.map((wrench) => ({ name: wrench.name, ...calibrationState(wrench, today) }))
		.filter(({ state }) => state !== 'valid')
		.sort((a, b) => (a.until ?? '').localeCompare(b.until ?? ''));
	return { title: 'Due', page, due, calibrations };
};
