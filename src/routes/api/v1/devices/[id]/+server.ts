import { body, endpoint, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { changeDevice } from '$lib/server/devices/devices';

/** Switches a device on or off. Leads only. */
export const PATCH = endpoint(async (event) => {
	lead(event);
	const { active } = await body<{ active: boolean }>(event);
	await changeDevice(db, event.params.id!, active);
	return { active };
});
