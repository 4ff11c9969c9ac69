import { body, endpoint, person } from '$lib/server/api/endpoint';
import { db, deviceLines } from '$lib/server/app';
import { giveTask, type TaskInput } from '$lib/server/devices/devices';

/** Says where the device's next reading belongs; null takes the task away. */
export const PUT = endpoint(async (event) => {
	const who = person(event);
	const input = await body<TaskInput | null>(event);
	const { device, task } = await giveTask(db, event.params.id!, input, who.id);
	deviceLines.tell(device.id, task);
	return { task, connected: deviceLines.connected(device.id) };
});
