/** Moments as the shop tells them: in its own time zone, by 24 or 12 hours, whoever looks and wherever. */
import { toDate } from 'date-fns';

export const hourChoices = ['24', '12'] as const;
export type HourChoice = (typeof hourChoices)[number];

export interface ShopClock {
	/** IANA name, as Europe/Oslo. */
	timeZone: string;
	hours: HourChoice;
}

export interface Moments {
	/** `5 Mar 2026`. */
	day(at: string | Date): string;
	/** `5 March 2026`. */
	longDay(at: string | Date): string;
	/** `5 Mar`. */
	shortDay(at: string | Date): string;
	/** `Thu 5 Mar`. */
	weekday(at: string | Date): string;
	/** `14:05`, or `2:05 pm`. */
	time(at: string | Date): string;
	/** `5 Mar, 14:05`. */
	short(at: string | Date): string;
	/** `5 Mar 2026, 14:05`. */
	moment(at: string | Date): string;
	/** A time of day, minutes from midnight; whole days are left out. */
	ofDay(minutes: number): string;
	/** The day in the shop, `2026-03-05`. */
	isoDay(at: string | Date): string;
	readonly timeZone: string;
}

/** A time of day as people type it: `16:30`, `16.30`, `1630`, `4 pm`, `4:30pm`, `8`; undefined: none. */
export function parseTimeOfDay(text: string): number | undefined {
	const found = /^\s*(\d{1,2})(?:[:.h]?(\d{2}))?\s*(am|pm|a|p)?\.?\s*$/i.exec(text);
	if (!found) return undefined;
	const [, hours = '', minutes = '0', half] = found;
	const [hour, minute] = [Number(hours), Number(minutes)];
	if (minute > 59 || hour > (half ? 12 : 23) || (half && hour === 0)) return undefined;
	const afternoon = half?.toLowerCase().startsWith('p') ? 12 : 0;
	return ((half ? hour % 12 : hour) + afternoon) * 60 + minute;
}

/** Whether this runtime knows a zone by that name. */
export function isTimeZone(name: string): boolean {
	try {
		return Boolean(new Intl.DateTimeFormat('en-GB', { timeZone: name }));
	} catch {
		return false;
	}
}

/** @param clock given as a function: it may change while a page is open */
export function momentsOf(clock: () => ShopClock): Moments {
	const formats = new Map<string, Intl.DateTimeFormat>();
	const tell = (at: string | Date, options: Intl.DateTimeFormatOptions, zone?: string): string => {
		const { timeZone, hours } = clock();
		const key = JSON.stringify([options, zone ?? timeZone, hours]);
		let format = formats.get(key);
		if (!format) {
			const cycle = options.hour
				? ({ hourCycle: hours === '12' ? 'h12' : 'h23' } as const)
				: undefined;
			const locale = { timeZone: zone ?? timeZone, ...options, ...cycle };
			format = new Intl.DateTimeFormat('en-GB', locale);
			formats.set(key, format);
		}
		return format.format(typeof at === 'string' ? toDate(at) : at);
	};
	const time = () =>
		({ hour: clock().hours === '12' ? 'numeric' : '2-digit', minute: '2-digit' }) as const;
	const date = { day: 'numeric', month: 'short' } as const;
	return {
		day: (at) => tell(at, { ...date, year: 'numeric' }),
		longDay: (at) => tell(at, { day: 'numeric', month: 'long', year: 'numeric' }),
		shortDay: (at) => tell(at, date),
		weekday: (at) => tell(at, { ...date, weekday: 'short' }).replace(',', ''),
		time: (at) => tell(at, time()),
		short: (at) => tell(at, { ...date, ...time() }),
		moment: (at) => tell(at, { ...date, year: 'numeric', ...time() }),
		ofDay: (minutes) => tell(toDate((Math.round(minutes) % 1440) * 60_000), time(), 'UTC'),
		isoDay: (at) =>
			tell(at, { year: 'numeric', month: '2-digit', day: '2-digit' })
				.split('/')
				.reverse()
				.join('-'),
		get timeZone() {
			return clock().timeZone;
		}
	};
}
