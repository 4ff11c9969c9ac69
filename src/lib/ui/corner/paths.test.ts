import { arc, line } from 'd3';
import { describe, expect, it } from 'vitest';
import { polyline, ringPiece } from './paths';

/** The numbers of a path, to the tenth. */
const numbers = (path: string) => path.match(/-?\d+(\.\d+)?/g)!.map(Number);

describe('paths of the drawings', () => {
	const points: [number, number][] = [
		[0, 0],
		[10.26, -3],
		[4, 8.04]
	];

	it('go from point to point as a chart’s line does', () => {
		expect(polyline(points)).toBe(line().digits(1)(points));
		expect(polyline(points, true)).toBe(`${line().digits(1)(points)}Z`);
		expect(polyline([])).toBe('');
	});

	it('draw a piece of a ring as a chart’s arc does', () => {
		const [startAngle, endAngle] = [-0.95, 0.95];
		const whole = arc().digits(1)({ innerRadius: 80, outerRadius: 84, startAngle, endAngle })!;
		expect(numbers(ringPiece(80, 84, startAngle, endAngle))).toEqual(numbers(whole));
	});

	it('draw a wedge to its middle, whichever way it turns', () => {
		for (const to of [0.5, -0.5]) {
			const found = numbers(ringPiece(0, 84, 0, to));
			expect(found.slice(0, 2)).toEqual([0, -84]);
			expect(found.slice(-2)).toEqual([0, 0]);
			const [x, y] = found.slice(-4, -2) as [number, number];
			expect(Math.atan2(x, -y)).toBeCloseTo(to, 2);
		}
	});
});
