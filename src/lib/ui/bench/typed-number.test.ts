import { describe, expect, it } from 'vitest';
import { typedNumber } from './typed-number';

describe('a number as it was typed', () => {
	it('is in the unit that is meant, or in the one that was typed', () => {
		const mm = { dimension: 'length', unit: 'mm' } as const;
		expect(typedNumber('345', mm).si).toBe(345);
		expect(typedNumber(' 13.5 in ', mm).si).toBeCloseTo(342.9, 6);
	});

	it('is nothing yet where nothing stands, and a fault where it is none or out of range', () => {
		const mm = { dimension: 'length', unit: 'mm', min: 0.1, max: 3000 } as const;
		expect(typedNumber(undefined, mm)).toEqual({});
		expect(typedNumber('  ', mm)).toEqual({});
		expect(typedNumber('long', mm).fault).toBeTruthy();
		expect(typedNumber('4000', mm).fault).toMatch(/3000/);
	});

	it('counts with a comma, and never none', () => {
		expect(typedNumber('5,5', { what: 'a number' })).toEqual({ si: 5.5 });
		expect(typedNumber('0', { what: 'a number of coils' }).fault).toBe(
			'‘0’ is not a number of coils'
		);
	});
});
