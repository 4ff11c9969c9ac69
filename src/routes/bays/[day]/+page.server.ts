import { error } from '@sveltejs/kit';
import { db } from '$lib/server/app';
import { dayPlan } from '$lib/server/bays';
import { addDays, isValid, parseISO } from 'date-fns';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
	const day = parseISO(params.day);
	if (!/^\d{4}-\d\d-\d\d$/.test(params.day) || !isValid(day)) {
		error(404, `‘${params.day}’ is no day: write it as 2026-03-31.`);
	}
	// A day more at each end: the browser may live in another time zone, and takes its own day.
	const jobs = await dayPlan(db, addDays(day, -1), addDays(day, 2));
	return { title: 'Day of the bays', jobs, day: params.day };
};
