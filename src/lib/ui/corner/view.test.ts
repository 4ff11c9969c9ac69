import { describe, expect, it } from 'vitest';
import { mechanismLayouts, type MechanismLayout } from '$core/mechanism/geometry';
import { cornerPoints } from '$core/mechanism/points';
import { sampleCorners, sampleTape } from '$core/mechanism/samples';
import { tapedGeometry, tapeMeasures } from '$core/mechanism/tape';
import {
	cornerFromTexts,
	pointEntries,
	pointName,
	readPoint,
	tapeEntries,
	writePoint
} from '../workbench/corner/points';
import { flatten, seenFromSide, shapeOf } from './view';

const shape = (layout: MechanismLayout, bump: number) => {
	const result = cornerPoints(sampleCorners[layout], [bump]);
	if (!result.ok) throw new Error(JSON.stringify(result.faults));
	return shapeOf(layout, result.value.postures[0]!);
};

describe.each(mechanismLayouts.map((layout) => [layout]))(
	'the drawing of a %s corner',
	(layout) => {
		it('has arms from the body to what they carry, and a wheel', () => {
			const drawn = shape(layout, 0);
			expect(drawn.arms.length).toBeGreaterThan(0);
			expect(drawn.pivots).toHaveLength(drawn.arms.length);
			expect(drawn.wheel).toEqual(flatten(layout, sampleCorners[layout].wheelCentre));
		});

		it('keeps the body where it is and lifts the wheel by the bump', () => {
			const [low, high] = [shape(layout, -40), shape(layout, 40)];
			expect(high.pivots).toEqual(low.pivots);
			expect(high.wheel[1] - low.wheel[1]).toBeCloseTo(80, 6);
		});

		it('draws arms as long in every posture as they look, where they swing in its plane', () => {
			if (layout !== 'twist-beam' && layout !== 'solid-axle') return;
			const length = ({ from, to }: { from: readonly number[]; to: readonly number[] }) =>
				Math.hypot(from[0]! - to[0]!, from[1]! - to[1]!);
			const [low, high] = [shape(layout, -40), shape(layout, 40)];
			for (const [i, arm] of low.arms.entries()) {
				expect(length(high.arms[i]!)).toBeCloseTo(length(arm), 6);
			}
		});

		it('leans the wheel inboard for negative camber, seen from in front', () => {
			if (seenFromSide(layout) || sampleCorners[layout].staticCamberDeg >= 0) return;
			expect(shape(layout, 0).lean).toBeLessThan(0);
		});
	}
);

describe('points as people write them', () => {
	it.each([
		['10, 720, 190', [10, 720, 190]],
		['10 720 190', [10, 720, 190]],
		['-15;690;500.5', [-15, 690, 500.5]],
		['−15, 690, 500', [-15, 690, 500]]
	])('%s', (text, point) => expect(readPoint(text)).toEqual(point));

	it.each(['', '1, 2', '1, 2, 3, 4', 'a, b, c', '1, 2, Infinity'])('%j is no point', (text) =>
		expect(readPoint(text)).toBeUndefined()
	);

	it('are called by what they are', () => {
		expect(pointName('lowerFrontPivot')).toBe('lower front pivot');
	});

	it.each(mechanismLayouts.map((layout) => [layout]))(
		'a %s corner comes back from its texts',
		(layout) => {
			const sample = sampleCorners[layout];
			const text = Object.fromEntries(
				pointEntries(sample).map(({ key, initial }) => [key, initial])
			);
			const { staticCamberDeg, staticToeDeg } = sample;
			expect(cornerFromTexts(sample, text, { staticCamberDeg, staticToeDeg })).toEqual(sample);
			const [first] = Object.keys(text);
			expect(
				cornerFromTexts(sample, { ...text, [first!]: '1, 2' }, { staticCamberDeg, staticToeDeg })
			).toBeUndefined();
			expect(readPoint(writePoint(sample.wheelCentre))).toEqual(sample.wheelCentre);
		}
	);
});

describe('tape measures on a bench', () => {
	it.each(mechanismLayouts.map((layout) => [layout]))(
		'%s: each within what can be, and enough to move',
		(layout) => {
			const entries = tapeEntries(sampleTape[layout]);
			for (const { key, initial, min, max, label } of entries) {
				expect(initial, key).toBeGreaterThanOrEqual(min);
				expect(initial, key).toBeLessThanOrEqual(max);
				expect(label).toBe(tapeMeasures[layout][key]!.label);
			}
			const measures = Object.fromEntries(entries.map(({ key, initial }) => [key, initial]));
			expect(tapedGeometry({ layout, measures }).ok).toBe(true);
		}
	);
});
