import { describe, expect, it } from 'vitest';
import { clash, firstGap, type BaySlot } from './bays';

const hour = 60;
const slot = (id: string, bay: number, startMin: number, minutes = 2 * hour): BaySlot => ({
	id,
	bay,
	startMin,
	minutes
});

describe('the week of the bays', () => {
	it('lets two cars follow each other in a bay, not overlap', () => {
		const there = [slot('a', 0, 8 * hour)];
		expect(clash(there, slot('b', 0, 10 * hour))).toBeUndefined();
		expect(clash(there, slot('b', 0, 9 * hour))?.id).toBe('a');
		expect(clash(there, slot('b', 1, 9 * hour))).toBeUndefined();
		expect(clash(there, slot('a', 0, 9 * hour))).toBeUndefined();
	});

	it('finds the first gap in any bay, inside the working day', () => {
		const there = [slot('a', 0, 8 * hour, 9 * hour), slot('b', 1, 8 * hour, 8 * hour)];
		expect(firstGap(there, { id: 'c', minutes: hour }, 2, 0)).toMatchObject({
			bay: 1,
			startMin: 16 * hour
		});
		expect(firstGap(there, { id: 'c', minutes: 2 * hour }, 2, 0)).toMatchObject({
			bay: 0,
			startMin: 24 * hour + 8 * hour
		});
	});

	it('waits for the soak, and over the weekend', () => {
		const friday = 4 * 24 * hour;
		expect(firstGap([], { id: 'c', minutes: 4 * hour }, 1, friday + 14 * hour)).toMatchObject({
			startMin: 7 * 24 * hour + 8 * hour
		});
		expect(firstGap([], { id: 'c', minutes: hour }, 1, 9 * hour + 7)).toMatchObject({
			startMin: 9 * hour + 15
		});
	});

	it('starts a job longer than a day in a morning, and gives up after four weeks', () => {
		expect(firstGap([], { id: 'c', minutes: 12 * hour }, 1, 9 * hour)!.startMin).toBe(32 * hour);
		const full = [slot('x', 0, 0, 28 * 24 * hour)];
		expect(firstGap(full, { id: 'c', minutes: hour }, 1, 0)).toBeUndefined();
	});
});
