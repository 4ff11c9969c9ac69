import { body, endpoint, json, person } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { clearSlot, placeSlot, type SlotInput } from '$lib/server/bays';

/** Puts a car into a bay. */
export const PUT = endpoint(async (event) => {
	person(event);
	const input = await body<SlotInput>(event);
	return json(await placeSlot(db, event.params.id!, input, event.locals.shop!));
});

/** Takes it out of the plan. */
export const DELETE = endpoint(async (event) => {
	person(event);
	await clearSlot(db, event.params.id!);
	return {};
});
