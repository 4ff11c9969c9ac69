import { error } from '@sveltejs/kit';
import { db } from '$lib/server/app';
import { dayPlan } from '$lib/server/bays';
import { tz } from '@date-fns/tz';
import { addDays, isValid, parseISO } from 'date-fns';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
	const day = parseISO(params.day, { in: tz(locals.shop!.clock.timeZone) });
	if (!/^\d{4}-\d\d-\d\d$/.test(params.day) || !isValid(day)) {
		error(404, `‘${params.day}’ is no day: write it as 2026-03-31.`);
	}
	const jobs = await dayPlan(db, day, addDays(day, 1));
	return { title: 'Day of the bays', jobs, day: params.day };
};
