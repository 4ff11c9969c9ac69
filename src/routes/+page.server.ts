import { pageOf } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { searchJobs } from '$lib/server/jobs/lists';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const search = url.searchParams.get('search') ?? '';
	const page = pageOf(url);
	return { title: 'Jobs', search, page, jobs: await searchJobs(db, { search, page }) };
};
