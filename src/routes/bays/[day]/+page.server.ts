import { error, redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/** A day had a page of its own before it stood on the floor's. */
export const load: PageServerLoad = ({ params }) => {
	if (!/^\d{4}-\d\d-\d\d$/.test(params.day)) {
		error(404, `‘${params.day}’ is no day: write it as 2026-03-31.`);
	}
	redirect(308, `/bays?day=${params.day}`);
};
