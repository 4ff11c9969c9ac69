import { db, deviceLines } from '$lib/server/app';
import { listDevices, listHeld } from '$lib/server/db/devices';
import { listPeople } from '$lib/server/db/people';
import { listCalibrations, listWrenches } from '$lib/server/db/wrenches';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({
	title: 'Rack',
	wrenches: await listWrenches(db),
	calibrations: await listCalibrations(db),
	devices: (await listDevices(db)).map((device) => ({
		...device,
		connected: deviceLines.connected(device.id)
	})),
	held: await listHeld(db, 100),
	names: Object.fromEntries((await listPeople(db)).map(({ id, name }) => [id, name]))
});
