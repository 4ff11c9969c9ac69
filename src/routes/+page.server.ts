import { db } from '$lib/server/app';
import { searchJobs } from '$lib/server/jobs/load';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const search = url.searchParams.get('search') ?? '';
	return { title: 'Jobs', search, jobs: await searchJobs(db, { search }) };
};
