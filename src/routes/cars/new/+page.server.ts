import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ url }) => ({
	title: 'New car',
	/** Opened on the way to a job: go on there afterwards. */
	forJob: url.searchParams.get('for') === 'job',
	/** What was searched for and not found. */
	plate: (url.searchParams.get('plate') ?? '').slice(0, 20)
});
