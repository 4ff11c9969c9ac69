import { describe, expect, it } from 'vitest';
import { withBand } from '../uncertainty/band';
import { sampleTape } from './samples';
import { cornerSweep } from './sweep';
import { tapedGeometry, tapeMeasures, tapeSweep, usualTapeUncertainty } from './tape';

describe.each(Object.values(sampleTape).map((corner) => [corner.layout, corner] as const))(
	'%s',
	(_, corner) => {
		it('moves, and every answer has a band that grows away from the height it was measured at', () => {
			const travel = { ...corner, bumpMm: [-50, 0, 25, 50] };
			const result = withBand(tapeSweep, travel, usualTapeUncertainty(travel));
			if (!result.ok) throw new Error(JSON.stringify(result.faults));
			const { expanded } = result.value as unknown as {
				expanded: { rows: { twistDeg: Record<string, number>; trackChangeMm: number }[] };
			};
			for (const [key, twist] of Object.entries(result.value.rows[3]!.twistDeg)) {
				expect(twist).toBeGreaterThan(2);
				const bands = expanded.rows.map((row) => row.twistDeg[key]!);
				expect(bands[1]).toBeCloseTo(0, 9);
				expect(bands[2]).toBeGreaterThan(0);
				expect(bands[3]).toBeGreaterThan(bands[2]!);
			}
		});

		it('says which measure is missing', () => {
			const [name] = Object.keys(tapeMeasures[corner.layout]) as [string];
			const { [name]: _gone, ...measures } = corner.measures;
			const result = tapedGeometry({ ...corner, measures });
			expect(!result.ok && result.faults[0]!.field).toBe(`measures.${name}`);
		});
	}
);

it('the arm turns as asin(drop / length) says when wheel and joint rise together', () => {
	// A parallelogram: equal, level-parallel arms, so that the knuckle does not turn.
	const measures = {
		lowerArmMm: 350,
		lowerJointBelowPivotMm: 20,
		upperArmMm: 350,
		upperJointBelowPivotMm: 20,
		upperPivotAboveLowerMm: 250,
		upperPivotOutboardMm: 0,
		hubAboveLowerJointMm: 120,
		hubOutboardOfLowerJointMm: 50
	};
	const result = tapeSweep({ layout: 'double-wishbone', measures, bumpMm: [-65, 40] });
	if (!result.ok) throw new Error('no sweep');
	for (const row of result.value.rows) {
		const turn = Math.asin((-20 + row.bumpMm) / 350) - Math.asin(-20 / 350);
		expect(row.twistDeg.lower).toBeCloseTo((turn * 180) / Math.PI, 9);
		expect(row.camberDeg).toBeCloseTo(0, 9);
	}
});

it('the planar model has no bump steer', () => {
	const geometry = tapedGeometry(sampleTape.macpherson);
	if (!geometry.ok) throw new Error('no geometry');
	const swept = cornerSweep(geometry.value, [-60, 60]);
	if (!swept.ok) throw new Error('no sweep');
	for (const row of swept.value.rows) expect(row.toeDeg).toBeCloseTo(0, 9);
});

it('spring measures come together or not at all', () => {
	const { springLeanDeg: _, ...measures } = sampleTape['double-wishbone'].measures;
	const result = tapedGeometry({ layout: 'double-wishbone', measures });
	expect(!result.ok && result.faults).toEqual([
		expect.objectContaining({ field: 'measures.springLeanDeg' })
	]);
});
