import { expect, it } from 'vitest';
import { checkVin } from './vin';

// 49 CFR 565.15: the customary test string of seventeen ones has check digit 1 (from memory).
it('agrees with the check digit of seventeen ones', () => {
	expect(checkVin('11111111111111111')).toMatchObject({
		wellFormed: true,
		checkDigitMatches: true
	});
});

it('says which digit would be right', () => {
	expect(checkVin('11111111211111111')).toMatchObject({
		wellFormed: true,
		checkDigitMatches: false,
		expectedCheckDigit: '1'
	});
});

it.each(['', '1111111111111111', 'I1111111111111111', 'o1111111111111111', '1111111111111111!'])(
	'%s is not well formed',
	(vin) => {
		expect(checkVin(vin).wellFormed).toBe(false);
	}
);
