import { describe, expect, it } from 'vitest';
import { coilPath } from './coil';

const points = (path: string) =>
	path
		.slice(1)
		.split('L')
		.map((pair) => pair.split(',').map(Number) as [number, number]);

describe('a drawn coil', () => {
	it('goes from end to end, no wider than it is, with as many turns as it has', () => {
		const drawn = points(coilPath([100, 0], [100, 240], 6, 40));
		expect(drawn[0]![1]).toBeCloseTo(0, 6);
		expect(drawn[drawn.length - 1]![1]).toBeCloseTo(240, 6);
		const across = drawn.map(([x]) => x);
		expect(Math.max(...across)).toBeCloseTo(120, 6);
		expect(Math.min(...across)).toBeCloseTo(80, 6);
		const sides = across.map((x) => Math.sign(Math.round(x - 100))).filter((side) => side !== 0);
		const crossings = sides.filter((side, i) => i > 0 && side !== sides[i - 1]).length;
		expect(crossings).toBe(12);
	});

	it('can lie in any direction, and be nothing long', () => {
		for (const [x, y] of points(coilPath([0, 0], [30, 40], 3, 10))) {
			expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
		}
		expect(coilPath([5, 5], [5, 5], 3, 10)).not.toContain('NaN');
	});
});
