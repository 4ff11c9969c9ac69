import { body, endpoint, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { placeReading, type Placement } from '$lib/server/devices/readings';
import { announce, announceDevice } from '$lib/server/live';

/** Places a held reading where a person says it belongs. */
export const POST = endpoint(async (event) => {
	const who = person(event);
	const where = await body<Placement>(event);
	const { reading, entries } = await placeReading(db, event.params.id!, where, who);
	announce(where.jobId, entries);
	announceDevice(where.jobId, reading.id);
	return reading;
});
