import { download, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { bayPlan } from '$lib/server/bays';
import { bayCalendar } from '$lib/server/exchange/calendar';

/** The plan of the bays, four weeks back and a year ahead. */
export const GET = endpoint(async ({ locals }) => {
	const now = Date.now();
	const day = 86_400_000;
	const jobs = await bayPlan(db, new Date(now - 28 * day), new Date(now + 366 * day));
	return download(bayCalendar(jobs, locals.shop!.name), 'bays.ics', 'text/calendar');
});
