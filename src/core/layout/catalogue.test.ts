import { describe, expect, it } from 'vitest';
import { bushSetBand } from '../bush/band';
import { layouts } from './catalogue';
import { mechanismLayouts } from '../mechanism/geometry';
import { waysOf } from '../work/scope';
import { damperEnd, partOf, springArm, springSeat } from './shape';
import { coverPlaces, defaultRule, jointKinds, partKinds } from './types';

describe.each(layouts.map((layout) => [layout.key, layout] as const))('layout %s', (_, layout) => {
	it('names each joint once and knows its kind', () => {
		const keys = layout.joints.map((joint) => joint.key);
		expect(new Set(keys).size).toBe(keys.length);
		for (const joint of layout.joints) expect(jointKinds).toContain(joint.kind);
	});

	it('is made of parts that are there: every joint, contact, cover and way speaks of them', () => {
		const { parts, contacts, covers, ways } = layout.assembly;
		const keys = parts.map(({ key }) => key);
		expect(new Set(keys).size).toBe(keys.length);
		for (const { kind } of parts) expect(partKinds).toContain(kind);
		const known = ['body', 'wheel', ...keys];
		const said = [
			...layout.joints.flatMap(({ between }) => between),
			...contacts.flatMap(({ between }) => between),
			...Object.keys(ways),
			...Object.values(ways).flatMap((list) =>
				list.flatMap(({ moves, apart = [] }) => [...Object.keys(moves ?? {}), ...apart.flat()])
			),
			...parts.flatMap(({ of, between = [] }) => [...(of ? [of] : []), ...between])
		];
		for (const key of said) expect(known).toContain(key);
		for (const { over, where } of covers) {
			expect(coverPlaces).toContain(where);
			for (const key of over) expect(layout.joints.some((joint) => joint.key === key)).toBe(true);
		}
	});

	it('says how its damper comes out, and of a spring beside it how it gets loose', () => {
		expect(damperEnd(layout, 'top').length).toBeGreaterThan(0);
		expect(damperEnd(layout, 'bottom').length).toBeGreaterThan(0);
		if (springSeat(layout) === 'on-arm') {
			// A coil around its damper is got at one way only.
			const around = partOf(layout, 'spring')!.around !== undefined;
			expect(waysOf(layout, 'spring').length).toBeGreaterThan(around ? 0 : 1);
			expect(springArm(layout)?.heldBy).toBe('jack');
		}
	});

	it('is drawn and computed as one of the mechanisms, with a tape for it', () => {
		expect(mechanismLayouts).toContain(layout.mechanism);
		expect(layout.tape.armLength).not.toBe('');
	});

	it('keeps power tools off shaft nuts, cushions, links and wheels', () => {
		for (const joint of layout.joints) {
			if (['shaft-nut', 'cushion', 'wheel'].includes(joint.kind)) expect(joint.tool).toBe('hand');
			// A stud that spins is never run down: the power tool would spin it.
			if (joint.holdStud) expect(joint.tool).toBe('hand');
		}
	});

	it('undoes and does drop links in pairs', () => {
		for (const joint of layout.joints) {
			if (/drop link/i.test(joint.name)) expect([joint.pair, joint.holdStud]).toEqual([true, true]);
		}
	});

	it('lists rigid joints first, then rubber, then the wheel', () => {
		const order = layout.joints.map((joint) =>
			['any-time', 'ride-height', 'wheels-on-ground'].indexOf(joint.rule)
		);
		expect(order).toEqual([...order].sort());
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
				bushCount: 2,
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
