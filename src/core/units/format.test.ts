import { describe, expect, it } from 'vitest';
import { formatNumber, formatQuantity, unitChoice, formatHours } from './format';

describe('formatting', () => {
	it('writes unit, sign and decimals', () => {
		expect(formatQuantity(365.125, 'length', 'in')).toBe('14.38\u00a0in');
		expect(formatQuantity(-3.25, 'length', 'mm', { signed: true })).toBe('−3.3\u00a0mm');
		expect(formatQuantity(100, 'torque', 'lbf·ft', { bare: true })).toBe('73.8');
	});

	it('never writes minus zero', () => {
		expect(formatNumber(-0.04, 1, true)).toBe('0.0');
	});

	it('a shop picks a system and a torque unit; the rest follows', () => {
		expect(unitChoice({ system: 'imperial', torque: 'N·m' })).toMatchObject({
			length: 'in',
			torque: 'N·m',
			pressure: 'psi'
		});
	});
});

describe('a duration', () => {
	it('is hours and two digits of minutes, and never sixty of them', () => {
		expect([0, 5, 60, 125, 59.6, 119.7].map(formatHours)).toEqual([
			'0 h 00',
			'0 h 05',
			'1 h 00',
			'2 h 05',
			'1 h 00',
			'2 h 00'
		]);
	});
});
