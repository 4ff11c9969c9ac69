/** Days of the shop and the minutes in them, as moments and back. */
import { TZDate } from '@date-fns/tz';
import { toDate } from 'date-fns';

/** A day of the shop, `2026-03-05`, and minutes from its midnight, as a moment. */
export function momentOfDay(isoDay: string, minutes: number, timeZone: string): string {
	const [year = 0, month = 1, day = 1] = isoDay.split('-').map(Number);
	return toDate(new TZDate(year, month - 1, day, 0, minutes, timeZone).getTime()).toISOString();
}

/** Minutes from the shop's midnight, by its clock. */
export function minutesOfDay(at: string, timeZone: string): number {
	const zoned = new TZDate(toDate(at), timeZone);
	return zoned.getHours() * 60 + zoned.getMinutes();
}
