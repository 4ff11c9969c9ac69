import { download, endpoint } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { retorqueCalendar } from '$lib/server/exchange/calendar';
import { readJob } from '$lib/server/jobs/book';

/** The day the car should come back, for a calendar. */
export const GET = endpoint(async ({ params, locals }) => {
	const { record: job } = await readJob(db, params.id!);
	const text = retorqueCalendar(job, locals.shop!.name);
	return download(text, `job-${job.number}-wheels.ics`, 'text/calendar');
});
