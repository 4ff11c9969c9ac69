import { describe, expect, it } from 'vitest';
import { layouts } from '$core/layout/catalogue';
import { demoRecord } from '../../../../demo/jobs.testing';
import { cornerSheet, sheetHeight, sheetWidth } from './sheet';
import type { Flat } from './view';

const { front } = demoRecord('2026-0257').vehicle.axles;
const axleOf = (layout: string) => ({
	...front,
	layout,
	armLengthMm: null,
	outerBelowInnerMm: null,
	referenceHubToArchMm: null,
	tape: null,
	hardpoints: null
});
const sheetOf = (layout: string, targetMm: number, heightMm: number, plain = false) => {
	const sheet = cornerSheet(axleOf(layout), targetMm, heightMm, plain);
	if (!sheet.ok) throw new Error(JSON.stringify(sheet.faults));
	return sheet.value;
};

describe.each(layouts.map(({ key }) => key))('%s on its sheet', (layout) => {
	it('all that is drawn is on it, at one scale, up being up', () => {
		for (const plain of [false, true]) {
			const { shapes, lip, to, scale, dimensionX } = sheetOf(layout, 360, 350, plain);
			const points: Flat[] = [
				lip,
				...Object.values(shapes).flatMap(({ pivots, joints, wheel }) => [
					...pivots,
					...joints,
					wheel
				])
			];
			for (const [x, y] of points.map(to)) {
				expect(x).toBeGreaterThanOrEqual(0);
				expect(x).toBeLessThanOrEqual(dimensionX);
				expect(y).toBeGreaterThanOrEqual(0);
				expect(y).toBeLessThanOrEqual(sheetHeight);
			}
			expect(dimensionX).toBeLessThan(sheetWidth);
			const [[ax, ay], [bx, by]] = [to([0, 0]), to([30, 40])];
			expect(Math.abs(Math.hypot(bx - ax, by - ay) - 50 * scale)).toBeLessThan(0.15);
			expect(by).toBeLessThan(ay);
		}
	});

	it('the wheel stands so far under the arch as is said, and no farther than it goes', () => {
		const { shapes, lip, range } = sheetOf(layout, 360, 372);
		expect(lip[1] - shapes.target.wheel[1]).toBeCloseTo(360, 6);
		expect(lip[1] - shapes.now.wheel[1]).toBeCloseTo(372, 3);
		const past = sheetOf(layout, 360, 2000);
		expect(past.shownMm).toBe(range.droopMm);
		expect(sheetOf(layout, 360, 0).shownMm).toBe(range.bumpMm);
	});
});

it('a corner that cannot be built says why', () => {
	const broken = { ...axleOf('macpherson-front'), armLengthMm: 40, outerBelowInnerMm: 200 };
	expect(cornerSheet(broken, 360, 350)).toMatchObject({ ok: false });
});
