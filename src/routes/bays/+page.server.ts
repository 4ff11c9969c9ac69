import { db } from '$lib/server/app';
import { bayPlan } from '$lib/server/bays';
import { addDays, parseISO, startOfISOWeek, isValid } from 'date-fns';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const asked = parseISO(url.searchParams.get('week') ?? '');
	const monday = startOfISOWeek(isValid(asked) ? asked : new Date());
	// A day more at each end: the browser may live in another time zone.
	const jobs = await bayPlan(db, addDays(monday, -1), addDays(monday, 8));
	const week = [
		monday.getFullYear(),
		String(monday.getMonth() + 1).padStart(2, '0'),
		String(monday.getDate()).padStart(2, '0')
	].join('-');
	return { title: 'Bays', jobs, week };
};
