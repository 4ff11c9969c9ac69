import { tz } from '@date-fns/tz';
import { startOfISOWeek } from 'date-fns';
import type { FloorJob } from '$lib/bays/model';
import { describe, expect, it } from 'vitest';
import { blockMinutes, entriesOf, placesOf, queuedOf, dateOf, minutesFrom } from './floor';

const monday = new Date('2026-03-02T00:00:00Z');
const job = (id: string, startsAt: string, more: object = {}): FloorJob =>
	({
		id,
		minutes: 100,
		slot: { jobId: id, bay: 0, startsAt, minutes: 120, version: 3, comesAt: null, ...more }
	}) as FloorJob;
const jobs = [
	job('a', '2026-03-02T08:00:00Z'),
	job('b', '2026-03-02T11:00:00Z', { comesAt: '2026-03-02T10:30:00Z' }),
	job('c', '2026-03-03T08:00:00Z')
];
const slots = jobs.flatMap((one) => queuedOf(one, monday) ?? []);

describe('the floor', () => {
	it('counts a block in quarters of an hour, two hours where nothing is planned', () => {
		expect([0, 1, 100, 120].map((minutes) => blockMinutes({ minutes }))).toEqual([
			15, 15, 105, 120
		]);
		expect(blockMinutes({ minutes: null })).toBe(120);
	});

	it('has the car whose time has come inside, the others behind it with the gaps between them', () => {
		const { inside, behind } = entriesOf(jobs, slots, 0, 9 * 60);
		expect(inside?.job.id).toBe('a');
		expect(behind.map((entry) => [entry.job.id, entry.gapMin, entry.newDay])).toEqual([
			['b', 60, false],
			['c', 0, true]
		]);
		expect(entriesOf(jobs, slots, 0, 7 * 60).inside).toBeUndefined();
		expect(entriesOf(jobs, slots, 1, 9 * 60)).toEqual({ inside: undefined, behind: [] });
	});

	it('tells the server moments, with the version of each place and when a car comes', () => {
		const [place] = placesOf([{ ...slots[1]!, startMin: 13 * 60 }], jobs, monday);
		expect(place).toEqual({
			jobId: 'b',
			bay: 0,
			minutes: 120,
			startsAt: '2026-03-02T13:00:00.000Z',
			comesAt: '2026-03-02T10:30:00.000Z',
			version: 3
		});
		const fresh = placesOf([{ ...slots[0]!, id: 'new' }], jobs, monday)[0];
		expect(fresh).toMatchObject({ version: 0, comesAt: null });
	});
});

it('eight o’clock is eight o’clock also behind the night in which the clock is changed', () => {
	// Oslo, 2026: on 29 March two o’clock is three, on 25 October three is two.
	for (const [week, day, utc] of [
		['2026-03-23', 7, '2026-03-30T06:00:00.000Z'],
		['2026-10-19', 7, '2026-10-26T07:00:00.000Z']
	] as const) {
		const start = startOfISOWeek(new Date(`${week}T12:00:00Z`), { in: tz('Europe/Oslo') });
		const minutes = day * 24 * 60 + 8 * 60;
		expect(new Date(dateOf(minutes, start).getTime()).toISOString()).toBe(utc);
		expect(minutesFrom(start, utc)).toBe(minutes);
		expect(minutesFrom(start, dateOf(-30, start))).toBe(-30);
	}
});
