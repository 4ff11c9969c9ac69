import { body, endpoint, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { setReadingAside } from '$lib/server/devices/readings';
import { announce } from '$lib/server/live';
import { setAsideSchema } from '$lib/schema/device';

/** Sets a held reading aside with a reason; it stays on record as it was sent. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	const { reason } = await body<{ reason: string }>(event, setAsideSchema);
	const reading = await setReadingAside(db, event.params.id!, reason, who.id);
	if (reading.jobId) announce(reading.jobId);
	return reading;
});
