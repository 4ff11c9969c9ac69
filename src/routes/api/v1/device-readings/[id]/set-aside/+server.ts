import { body, endpoint, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { setReadingAside } from '$lib/server/devices/readings';
import { announceDevice } from '$lib/server/live';

/** Sets a held reading aside with a reason; it stays on record as it was sent. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	const { reason } = await body<{ reason: string }>(event);
	const reading = await setReadingAside(db, event.params.id!, reason, who.id);
	if (reading.jobId) announceDevice(reading.jobId, event.params.id!);
	return reading;
});
