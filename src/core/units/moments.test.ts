import { describe, expect, it } from 'vitest';
import { isTimeZone, momentsOf, parseTimeOfDay } from './moments.ts';
import { minutesOfDay, momentOfDay } from './shop-day';

const at = '2026-03-05T22:05:00.000Z';
const tell = (timeZone: string, hours: '12' | '24' = '24') =>
	momentsOf(() => ({ timeZone, hours }));

describe('moments of the shop', () => {
	it('are told in its zone, wherever they are read', () => {
		expect(tell('UTC').moment(at)).toBe('5 Mar 2026, 22:05');
		expect(tell('Asia/Tokyo').moment(at)).toBe('6 Mar 2026, 07:05');
		expect(tell('Asia/Tokyo').isoDay(at)).toBe('2026-03-06');
		expect(tell('America/Denver').short(at)).toBe('5 Mar, 15:05');
	});

	it('are told by twelve hours where the shop does', () => {
		expect(tell('UTC', '12').time(at)).toBe('10:05 pm');
		expect(tell('UTC', '12').ofDay(0)).toBe('12:00 am');
		expect(tell('UTC', '24').ofDay(0)).toBe('00:00');
		expect(tell('UTC', '12').ofDay(1440 + 13 * 60 + 5)).toBe('1:05 pm');
	});

	it('name days short and long', () => {
		const { day, longDay, shortDay, weekday } = tell('UTC');
		expect([day(at), longDay(at), shortDay(at), weekday(at)]).toEqual([
			'5 Mar 2026',
			'5 March 2026',
			'5 Mar',
			'Thu 5 Mar'
		]);
	});

	it('follow a clock that is changed', () => {
		const clock = { timeZone: 'UTC', hours: '24' as '12' | '24' };
		const { time } = momentsOf(() => clock);
		expect(time(at)).toBe('22:05');
		clock.hours = '12';
		expect(time(at)).toBe('10:05 pm');
	});

	it('know a zone from a slip', () => {
		expect([isTimeZone('Europe/Oslo'), isTimeZone('Europe/Osla')]).toEqual([true, false]);
	});
});

describe('a time of day', () => {
	it.each([
		['16:30', 990],
		['16.30', 990],
		['1630', 990],
		['8', 480],
		['4 pm', 960],
		['4:30pm', 990],
		['12am', 0],
		['12 pm', 720],
		['0', 0]
	])('“%s” is %i minutes', (text, minutes) => expect(parseTimeOfDay(text)).toBe(minutes));

	it.each(['', 'noon', '25', '13 pm', '0 am', '8:60', '123456'])('“%s” is none', (text) =>
		expect(parseTimeOfDay(text)).toBeUndefined()
	);

	it('of a day is a moment, and back', () => {
		expect(momentOfDay('2026-03-05', 990, 'Europe/Oslo')).toBe('2026-03-05T15:30:00.000Z');
		// Summer time.
		expect(momentOfDay('2026-07-05', 990, 'Europe/Oslo')).toBe('2026-07-05T14:30:00.000Z');
		expect(minutesOfDay('2026-07-05T14:30:00.000Z', 'Europe/Oslo')).toBe(990);
	});
});
