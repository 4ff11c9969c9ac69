import { describe, expect, it } from 'vitest';
import { bushSetBand } from '../bush/band';
import { layouts } from './catalogue';
import { defaultRule, jointKinds } from './types';

describe.each(layouts.map((layout) => [layout.key, layout] as const))('layout %s', (_, layout) => {
	it('names each joint once and knows its kind', () => {
		const keys = layout.joints.map((joint) => joint.key);
		expect(new Set(keys).size).toBe(keys.length);
		for (const joint of layout.joints) expect(jointKinds).toContain(joint.kind);
	});

	it('lets rubber wait for ride height and wheels for the ground', () => {
		for (const joint of layout.joints) expect(joint.rule).toBe(defaultRule(joint.kind));
		expect(layout.joints.some((joint) => joint.kind === 'bonded-bush')).toBe(true);
		expect(layout.joints.at(-1)!.kind).toBe('wheel');
	});

	it('assumes a geometry that can be computed with', () => {
		const { assumed } = layout;
		const result = bushSetBand(
			{
				armLengthMm: assumed.armLengthMm.value,
				outerBelowInnerMm: assumed.outerBelowInnerMm.value,
				referenceHubToArchMm: 360,
				setHubToArchMm: 430,
				rideHubToArchMm: 360,
				bush: assumed.bush,
				bushCount: assumed.bushCount,
				wheelRateNPerMm: assumed.wheelRateNPerMm
			},
			{
				armLengthMm: assumed.armLengthMm.u,
				outerBelowInnerMm: assumed.outerBelowInnerMm.u,
				setHubToArchMm: 1,
				rideHubToArchMm: 2,
				stiffnessRelative: assumed.stiffnessRelative
			}
		);
		expect(result.ok && result.value.verdict).toBe('wound-up');
	});
});
