import { expect, it } from 'vitest';
import { readExtra } from './extra-form';

it('reads what was found with its price and minutes, a comma as a point', () => {
	expect(
		readExtra({ what: ' Front tyres worn: a new pair ', price: '240,50', minutes: '40' })
	).toEqual({
		said: { what: 'Front tyres worn: a new pair', price: 240.5, minutes: 40 },
		faults: {}
	});
	expect(readExtra({ what: 'Leak at the pipe', price: '', minutes: ' ' }).said).toEqual({
		what: 'Leak at the pipe'
	});
});

it('says by field what is wrong', () => {
	expect(readExtra({ what: 'x', price: 'dear', minutes: '0' }).faults).toEqual({
		what: 'say what was found',
		price: '‘dear’: a number from 0 to 1000000',
		minutes: '‘0’: a number from 1 to 2000'
	});
});
