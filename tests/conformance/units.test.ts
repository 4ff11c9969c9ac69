import { describe, expect, it } from 'vitest';
import { convert, findUnit, units } from '../../src/core/units/dimensions';

const unit = (symbol: string, dimension: Parameters<typeof findUnit>[1]) =>
	findUnit(symbol, dimension)!;

/**
 * International yard and pound agreement (1959): 1 in = 25.4 mm, 1 lb = 0.45359237 kg, exact. Standard
 * gravity 9.80665 m/s² (CGPM 1901), exact. The derived factors are those of NIST SP 811, appendix B.
 */
describe('exact unit factors', () => {
	it.each([
		['length', 'in', 25.4],
		['mass', 'lb', 0.45359237],
		['torque', 'lbf·ft', 1.3558179483314],
		['torque', 'lbf·in', 0.1129848290276167],
		['torque', 'kgf·m', 9.80665],
		['rate', 'lbf/in', 0.175126835246476],
		['rate', 'kgf/mm', 9.80665],
		['pressure', 'psi', 6.894757293168361],
		['pressure', 'bar', 100],
		['distance', 'mi', 1.609344]
	] as const)('%s: 1 %s', (dimension, symbol, factor) => {
		expect(unit(symbol, dimension).toSi).toBeCloseTo(factor, 12);
	});

	it('goes there and back without loss for every pair of units', () => {
		for (const list of Object.values(units)) {
			for (const from of list) {
				for (const to of list) {
					expect(convert(convert(123.456, from, to), to, from)).toBeCloseTo(123.456, 10);
				}
			}
		}
	});
});
