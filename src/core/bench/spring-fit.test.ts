import { describe, expect, it } from 'vitest';
import { padsDiffer, springFitFault, springFitWords, type SpringFit } from './spring-fit';

const fit: SpringFit = {
	hand: 'left',
	wayUp: 'flat-up',
	upper: { state: 'renewed', mm: 8 },
	lower: { state: 'kept' }
};

describe('how a spring went in', () => {
	it('goes to the side it is marked for', () => {
		expect(springFitFault('RL', fit)).toBeUndefined();
		expect(springFitFault('RR', fit)).toBe(
			'the spring marked left goes to the left: this is the rear right'
		);
		expect(springFitFault('RR', { ...fit, hand: 'either' })).toBeUndefined();
	});

	it('says where pads of the two sides do not agree', () => {
		expect(padsDiffer(fit, { ...fit, upper: { state: 'kept', mm: 7.2 } })).toBeUndefined();
		expect(padsDiffer(fit, { ...fit, upper: { state: 'kept', mm: 5 } })).toBe(
			'upper pads differ by 3.0 mm from side to side'
		);
		expect(padsDiffer(fit, { ...fit, lower: { state: 'none' } })).toBe(
			'lower pad on one side only'
		);
		// What nobody measured is not told to differ.
		expect(padsDiffer(fit, { ...fit, upper: { state: 'renewed' } })).toBeUndefined();
	});

	it('reads on the sheet', () => {
		expect(springFitWords(fit)).toBe(
			'marked left, flat end up, upper pad renewed 8.0 mm, lower pad kept'
		);
	});
});
