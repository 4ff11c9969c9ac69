import { redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) => {
	if (locals.person) redirect(303, '/');
	const to = url.searchParams.get('to') ?? '/';
	// Only a path of ours: never another site's address.
	return { title: 'Sign in', to: /^\/(?![/\\])/.test(to) ? to : '/' };
};
