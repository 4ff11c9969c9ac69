import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propagate } from './linear';

describe('propagation of uncertainty', () => {
	// JCGM 100:2008, 5.1.2: a sum adds in squares, a product in relative squares.
	it('of a sum and of a product', () => {
		const inputs = [
			{ value: 10, u: 0.3 },
			{ value: 20, u: 0.4 }
		];
		expect(propagate(([a, b]) => a! + b!, inputs)).toBeCloseTo(0.5, 12);
		expect(propagate(([a, b]) => a! * b!, inputs)).toBeCloseTo(200 * Math.hypot(0.03, 0.02), 12);
	});

	it('is exact for any linear model', () => {
		const size = fc.double({ min: -100, max: 100, noNaN: true });
		const spread = fc.double({ min: 0, max: 10, noNaN: true });
		fc.assert(
			fc.property(size, size, spread, spread, (p, q, u, v) => {
				const result = propagate(
					([a, b]) => p * a! + q * b!,
					[
						{ value: 1, u },
						{ value: 2, u: v }
					]
				);
				expect(result).toBeCloseTo(Math.hypot(p * u, q * v), 6);
			})
		);
	});

	it('has no answer where the model has none within the inputs’ range', () => {
		const root = ([a]: readonly number[]) => (a! < 0 ? undefined : Math.sqrt(a!));
		expect(propagate(root, [{ value: 1, u: 2 }])).toBeUndefined();
	});
});
