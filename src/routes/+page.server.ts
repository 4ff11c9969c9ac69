import { dangers } from '$core/schedule/promise';
import { pageOf } from '$lib/server/api/endpoint';
import { db } from '$lib/server/app';
import { listOpenSlots } from '$lib/server/db/bays';
import { searchJobs } from '$lib/server/jobs/lists';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const search = url.searchParams.get('search') ?? '';
	const page = pageOf(url);
	const [jobs, slots] = await Promise.all([searchJobs(db, { search, page }), listOpenSlots(db)]);
	const now = Date.now();
	const open = jobs.open.map((job) => {
		const slot = slots.find(({ jobId }) => jobId === job.id);
		return { ...job, dangers: dangers({ ...job, slot }, now) };
	});
	return { title: 'Jobs', search, page, jobs: { ...jobs, open } };
};
