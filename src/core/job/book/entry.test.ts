import { describe, expect, it } from 'vitest';
import { demoFile } from '../../../../demo/jobs.testing';
import type { Vehicle } from '../model';
import { carAt, type Entry } from './entry';

describe('the car as a book has it', () => {
	const { entries } = demoFile('2026-0261');
	const opened = entries[0] as Entry<'opened'>;
	const changed = (seq: number, modelYear: number) =>
		({
			...opened,
			seq,
			kind: 'car',
			data: { vehicle: { ...opened.data.vehicle, modelYear } as Vehicle }
		}) as Entry<'car'>;
	const last = entries.at(-1)!.seq;
	const book: Entry[] = [...entries, changed(last + 1, 2009), changed(last + 3, 2011)];

	it('is that of the opening until it was changed', () => {
		expect(carAt(entries)).toEqual(opened.data.vehicle);
		expect(carAt(book, last)).toEqual(opened.data.vehicle);
	});

	it('is the one of the moment, not the one of today', () => {
		const years = [1, 2, 3].map((after) => carAt(book, last + after).modelYear);
		expect(years).toEqual([2009, 2009, 2011]);
		expect(carAt(book).modelYear).toBe(2011);
	});
});
