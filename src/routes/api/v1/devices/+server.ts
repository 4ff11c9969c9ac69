import { body, endpoint, json, lead } from '$lib/server/api/endpoint';
import { db, deviceLines } from '$lib/server/app';
import { listDevices, listHeld } from '$lib/server/db/devices';
import { addDevice, type DeviceInput } from '$lib/server/devices/devices';

/** Devices, whether each is connected now, and the readings that wait for a person. */
export const GET = endpoint(async () => ({
	devices: (await listDevices(db)).map((device) => ({
		...device,
		connected: deviceLines.connected(device.id)
	})),
	held: await listHeld(db, 100)
}));

/** Adds a device; the answer holds its token, this once. Leads only. */
export const POST = endpoint(async (event) => {
	lead(event);
	return json(await addDevice(db, await body<DeviceInput>(event)), 201);
});
