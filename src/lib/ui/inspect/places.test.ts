import { findLayout, layouts } from '$core/layout/catalogue';
import { inspectionPoints } from '$core/inspect/points';
import { describe, expect, it } from 'vitest';
import { apart, placesOf, touched, worstAt } from './places';

const points = inspectionPoints(findLayout('macpherson-front')!);
const places = placesOf(points);
const hub = places.find(({ name }) => name === 'hub')!;

describe('the places of a corner', () => {
	it('hold every point once, next to each other in the walk', () => {
		for (const layout of layouts) {
			const walked = inspectionPoints(layout);
			expect(placesOf(walked).flatMap((place) => place.points)).toEqual(walked);
		}
	});

	it('open what nobody looked at, then go round', () => {
		const looked = (key: string) => (point: { key: string }) => point.key === key;
		expect(touched(hub, undefined, looked('tyre'))).toBe('wheel-bearing');
		expect(touched(hub, 'wheel-bearing', looked('tyre'))).toBe('general');
		expect(touched(hub, hub.points.at(-1)!.key, () => true)).toBe('tyre');
		expect(touched(hub, 'spring', () => true)).toBe('tyre');
	});

	it('are sound only when all of it was looked at, and show the worst at once', () => {
		expect(worstAt(hub, () => 'sound')).toBe('sound');
		expect(worstAt(hub, ({ key }) => (key === 'tyre' ? 'sound' : undefined))).toBeUndefined();
		expect(worstAt(hub, ({ key }) => (key === 'tyre' ? 'worn' : undefined))).toBe('worn');
	});

	it('are marked without one covering another, inside, and near where they are', () => {
		const anchors: [number, number][] = [
			[300, 300],
			[305, 302],
			[300, 300.5],
			[290, 310],
			[395, 300],
			[150, 20]
		];
		const marks = apart(anchors, 30, [400, 400]);
		for (const [i, a] of marks.entries()) {
			expect(Math.min(a[0], a[1], 400 - a[0], 400 - a[1])).toBeGreaterThanOrEqual(29.9);
			for (const b of marks.slice(i + 1))
				expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeGreaterThan(59);
		}
		expect(Math.hypot(marks[5]![0] - 150, marks[5]![1] - 20)).toBeLessThan(15);
	});
});
