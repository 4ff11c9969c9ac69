import { describe, expect, it } from 'vitest';
import type { Vehicle } from '../job/model.ts';
import { assumedSizes, sizeNames, sizeOf, usualSizes } from './sizes.ts';

const car = (entered: Record<string, string>, track = 1520) =>
	({
		wheelbaseMm: usualSizes.wheelbaseMm.value,
		axles: { front: { trackMm: track }, rear: { trackMm: 1520 } },
		entered
	}) as unknown as Vehicle;

describe('sizes of a car', () => {
	it('are assumed until somebody says them', () => {
		expect(assumedSizes(car({}))).toEqual([...sizeNames]);
		expect(assumedSizes(car({ wheelbaseMm: '2600 mm' }))).toEqual([
			'front.trackMm',
			'rear.trackMm'
		]);
	});

	it('of a file that has only the number are not', () => {
		expect(assumedSizes(car({}, 1498))).toEqual(['wheelbaseMm', 'rear.trackMm']);
		expect(sizeOf(car({}, 1498), 'front.trackMm')).toBe(1498);
	});
});
