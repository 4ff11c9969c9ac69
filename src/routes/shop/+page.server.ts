import { db } from '$lib/server/app';
import { listPeople } from '$lib/server/db/people';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({
	title: 'Shop',
	people: (await listPeople(db)).map(({ id, handle, name, role, active, canSignIn }) => ({
		id,
		handle,
		name,
		role,
		active,
		canSignIn
	}))
});
