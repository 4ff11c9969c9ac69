import { describe, expect, it } from 'vitest';
import { imperial, metric, type UnitChoice } from './format';
import { unitsOf } from './personal';

describe('the units of a person', () => {
	it('show, take apart and put together in what was chosen', () => {
		const units = unitsOf(() => imperial);
		expect(units.show(365.125, 'length')).toBe('14.38\u00a0in');
		expect(units.number(25.4, 'length')).toBeCloseTo(1, 12);
		// NIST SP 811: 1 lbf·ft is 1.355 817 948 N·m.
		expect(units.si(75, 'torque')).toBeCloseTo(75 * 1.3558179483314, 9);
		for (const value of [0, 0.4, 365, -12.5])
			expect(units.si(units.number(value, 'length'), 'length')).toBeCloseTo(value, 9);
	});

	it('follow the choice when it is changed under them', () => {
		let choice: UnitChoice = metric;
		const units = unitsOf(() => choice);
		expect([units.choice, units.show(365, 'length')]).toEqual([metric, '365.0\u00a0mm']);
		choice = imperial;
		expect([units.choice, units.show(365, 'length')]).toEqual([imperial, '14.37\u00a0in']);
	});
});
