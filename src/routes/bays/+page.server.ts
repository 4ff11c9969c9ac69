import { momentsOf } from '$core/units/moments';
import { db } from '$lib/server/app';
import { dayPlan, floorPlan } from '$lib/server/bays';
import { tz } from '@date-fns/tz';
import { addDays, isValid, parseISO } from 'date-fns';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url, locals }) => {
	const { clock } = locals.shop!;
	const now = new Date();
	const zone = { in: tz(clock.timeZone) };
	const asked = url.searchParams.get('day') ?? '';
	const given = parseISO(asked, zone);
	const isoDay = isValid(given) && asked.length === 10 ? asked : momentsOf(() => clock).isoDay(now);
	const day = parseISO(isoDay, zone);
	const [jobs, dayJobs] = await Promise.all([
		floorPlan(db, now),
		dayPlan(db, day, addDays(day, 1))
	]);
	return { title: 'Bays', jobs, isoDay, dayJobs };
};
