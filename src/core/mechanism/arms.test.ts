import { describe, expect, it } from 'vitest';
import { measuredArm } from './arms';
import { mechanismLayouts } from './geometry';
import { sampleCorners, sampleTape } from './samples';
import { tapedGeometry } from './tape';

describe('an arm of a corner given by hardpoints', () => {
	it.each(mechanismLayouts)('%s: has a lower arm, or the arm that carries the wheel', (layout) => {
		const arm = measuredArm(sampleCorners[layout], 'lower')!;
		expect(arm.lengthMm).toBeGreaterThan(200);
		expect(Math.abs(arm.belowMm)).toBeLessThan(arm.lengthMm);
	});

	it('reads back what the tape put in', () => {
		for (const [layout, length, below] of [
			['macpherson', 'lowerArmMm', 'lowerJointBelowPivotMm'],
			['double-wishbone', 'lowerArmMm', 'lowerJointBelowPivotMm'],
			['solid-axle', 'lowerArmMm', 'lowerJointBelowPivotMm'],
			['trailing-arm', 'armMm', 'hubBelowPivotMm'],
			['twist-beam', 'armMm', 'hubBelowPivotMm']
		] as const) {
			const taped = sampleTape[layout];
			const made = tapedGeometry(taped);
			if (!made.ok) throw new Error(layout);
			const arm = measuredArm(made.value, 'lower')!;
			expect(arm.lengthMm, layout).toBeCloseTo(taped.measures[length]!, 6);
			expect(arm.belowMm, layout).toBeCloseTo(taped.measures[below]!, 6);
		}
	});

	it('a strut and a trailing arm have no upper arm', () => {
		for (const layout of ['macpherson', 'trailing-arm', 'twist-beam'] as const)
			expect(measuredArm(sampleCorners[layout], 'upper')).toBeUndefined();
		// By hand: 270 mm out, and 25.2 mm above the axis where it passes the joint.
		expect(measuredArm(sampleCorners['double-wishbone'], 'upper')!.lengthMm).toBeCloseTo(
			Math.hypot(270, 500 - (480 - (115 / 220) * 10)),
			0
		);
	});
});
