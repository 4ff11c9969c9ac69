import { db } from '$lib/server/app';
import { bayPlan } from '$lib/server/bays';
import { tz } from '@date-fns/tz';
import { addDays, format, parseISO, startOfISOWeek, isValid } from 'date-fns';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url, locals }) => {
	const zone = { in: tz(locals.shop!.clock.timeZone) };
	const asked = parseISO(url.searchParams.get('week') ?? '', zone);
	const monday = startOfISOWeek(isValid(asked) ? asked : new Date(), zone);
	const jobs = await bayPlan(db, monday, addDays(monday, 7));
	const week = format(monday, 'yyyy-MM-dd');
	return { title: 'Bays', jobs, week };
};
