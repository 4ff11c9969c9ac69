import { body, endpoint, lead } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { changeDevice } from '$lib/server/devices/devices';
import { deviceChangeSchema } from '$lib/schema/device';

/** Switches a device on or off. Leads only. */
export const PATCH = endpoint(async (event) => {
	lead(event);
	const { active } = await body<{ active: boolean }>(event, deviceChangeSchema);
	await changeDevice(db, event.params.id!, active);
	return { active };
});
