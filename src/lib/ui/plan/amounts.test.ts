import { describe, expect, it } from 'vitest';
import { amountFault, amountOf, isAmount } from './amounts';

describe('an amount', () => {
	it('is read with comma or point, and may be missing', () => {
		expect([' 92,50 ', '180', ''].map(amountOf)).toEqual([92.5, 180, undefined]);
		expect([0, 92.5, -1, NaN, undefined].map(isAmount)).toEqual([true, true, false, false, false]);
	});

	it('is named where it is none', () => {
		expect(amountFault('dear')).toMatch(/‘dear’ is not an amount/);
		expect(amountFault('-3')).toMatch(/is not an amount/);
		expect([amountFault(''), amountFault('12,5')]).toEqual([undefined, undefined]);
	});
});
