import { describe, expect, it } from 'vitest';
import type { Entry } from '$core/job/book/entry';
import { WorkBook } from '$core/job/work-book';
import { measuredSpring } from './measured-spring';

const book = (values: Record<string, number>) =>
	new WorkBook([
		{
			id: 'a',
			kind: 'comparison',
			subject: 'FL/spring',
			data: {
				corner: 'FL',
				part: 'spring',
				old: { values },
				new: { values: {} },
				typed: {},
				outcome: 'open',
				reason: ''
			},
			personId: 'p'
		} as unknown as Entry
	]);

describe('the old spring as it was measured', () => {
	it('has its rate from its wire: k = G·d⁴ / (8·D³·n), EN 13906-1', () => {
		const spring = measuredSpring(
			book({ freeLengthMm: 330, wireMm: 12.5, outerMm: 142.5, coils: 5.5 }),
			'FL'
		);
		const rate = (79_500 * 12.5 ** 4) / (8 * 130 ** 3 * 5.5);
		expect(spring).toEqual({
			freeLengthMm: '330 mm',
			wireDiameterMm: '12.5 mm',
			activeCoils: '5.5',
			rateNPerMm: `${rate.toFixed(1)} N/mm`
		});
	});

	it('says nothing that was not measured', () => {
		expect(measuredSpring(book({ wireMm: 12 }), 'FL')).toEqual({ wireDiameterMm: '12 mm' });
		expect(measuredSpring(book({ wireMm: 12 }), 'FR')).toEqual({});
	});
});
