import { ownPath } from '$lib/server/auth/redirect';
import { redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) => {
	if (locals.person) redirect(303, '/');
	return { title: 'Sign in', to: ownPath(url.searchParams.get('to'), url.origin) };
};
