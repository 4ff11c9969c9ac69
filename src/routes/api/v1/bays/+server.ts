import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { placeSlots, type SlotOfJob } from '$lib/server/bays';

/** Puts several cars into their bays, all or none. */
export const PUT = endpoint(async (event) => {
	person(event);
	const { slots } = await body<{ slots: SlotOfJob[] }>(event);
	return json(await placeSlots(db, slots, event.locals.shop!));
});
