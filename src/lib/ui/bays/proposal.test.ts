import type { DayJob } from '$lib/bays/model';
import { describe, expect, it } from 'vitest';
import { changedPlaces, linesOf, proposedPlaces, type DayLine } from './proposal';

const start = new Date('2026-03-02T07:00:00Z');
const job = (id: string, startsAt: string, minutes = 60) =>
	({ id, slot: { jobId: id, bay: 0, startsAt, minutes, version: 4, comesAt: null } }) as DayJob;
const jobs = [job('a', '2026-03-02T07:00:00.000Z'), job('b', '2026-03-02T09:00:00.000Z')];
const car = (id: string, startMin: number, endMin: number, bay = 0) =>
	({ id, bay, startMin, endMin }) as Omit<DayLine, 'job'>;

describe('times of a schedule as places in the bays', () => {
	it('stand on quarters of an hour, one after the other', () => {
		const lines = linesOf([car('b', 58, 100), car('a', 0, 59)], jobs);
		expect(lines.map(({ id }) => id)).toEqual(['a', 'b']);
		expect(proposedPlaces(lines, start)).toMatchObject([
			{ jobId: 'a', startsAt: '2026-03-02T07:00:00.000Z', minutes: 60, version: 4 },
			{ jobId: 'b', startsAt: '2026-03-02T08:00:00.000Z', minutes: 45 }
		]);
	});

	it('in another bay does not wait, and is a quarter of an hour at the least', () => {
		const lines = linesOf([car('a', 0, 59), car('b', 2, 5, 1)], jobs);
		expect(proposedPlaces(lines, start)[1]).toMatchObject({
			bay: 1,
			startsAt: '2026-03-02T07:00:00.000Z',
			minutes: 15
		});
	});

	it('change only what does not stand there yet; a car that is gone is left out', () => {
		const lines = linesOf([car('a', 0, 59), car('b', 60, 100), car('gone', 0, 9)], jobs);
		expect(changedPlaces(proposedPlaces(lines, start), jobs).map(({ jobId }) => jobId)).toEqual([
			'b'
		]);
	});
});
