import { pageOf } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { dueRetorques } from '$lib/server/jobs/lists';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const page = pageOf(url);
	return { title: 'Wheels to check', page, due: await dueRetorques(db, page) };
};
