import { describe, expect, it } from 'vitest';
import { busyAt, visitsOf, type Bar } from './visits.ts';

const bar = (id: string, spot: string, startMin: number, endMin: number, person = 0): Bar => ({
	id,
	spot,
	person,
	startMin,
	endMin
});

describe('a day by places', () => {
	const bars = [
		bar('c', 'FL', 20, 30),
		bar('a', 'car', 0, 10),
		bar('b', 'FL', 10, 20),
		bar('d', 'FR', 30, 40),
		bar('e', 'FL', 40, 45),
		bar('x', 'FL', 12, 50, 1)
	];

	it('is one stay after the other for each person, and another stay after going elsewhere', () => {
		expect(
			visitsOf(bars).map(({ spot, person, ids, startMin, endMin }) => [
				person,
				spot,
				ids.join(''),
				startMin,
				endMin
			])
		).toEqual([
			[0, 'car', 'a', 0, 10],
			[0, 'FL', 'bc', 10, 30],
			[1, 'FL', 'x', 12, 50],
			[0, 'FR', 'd', 30, 40],
			[0, 'FL', 'e', 40, 45]
		]);
	});

	it('says who does what at a moment', () => {
		expect(busyAt(bars, 15).map(({ id }) => id)).toEqual(['b', 'x']);
		expect(busyAt(bars, 60)).toEqual([]);
	});

	it('is empty without steps', () => expect(visitsOf([])).toEqual([]));
});
