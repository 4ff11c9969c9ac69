import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) => ({
	hasPassword: locals.person!.hasPassword
});
