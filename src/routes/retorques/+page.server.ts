import { db } from '$lib/server/app';
import { dueRetorques } from '$lib/server/jobs/retorques';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({
	title: 'Wheels to check',
	due: await dueRetorques(db)
});
