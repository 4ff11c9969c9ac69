import { describe, expect, it } from 'vitest';
import { layouts } from '$core/layout/catalogue';
import { jointPlaces } from '$core/layout/types';
import { mechanismLayouts, type MechanismLayout } from '$core/mechanism/geometry';
import { cornerPoints } from '$core/mechanism/points';
import { sampleCorners } from '$core/mechanism/samples';
import { bareAxle } from '$core/job/axle.testing';
import { cornerMechanism, posturesAt } from '$core/job/corner';
import { armOf, placeOf, shapeOf, type Flat } from './view';

const posture = (layout: MechanismLayout, bumpMm = 0) => {
	const found = cornerPoints(sampleCorners[layout], [bumpMm]);
	if (!found.ok) throw new Error(layout);
	return found.value.postures[0]!;
};
const apart = ([ax, az]: Flat, [bx, bz]: Flat) => Math.hypot(ax - bx, az - bz);

describe.each(mechanismLayouts)('the places of joints on a %s corner', (layout) => {
	const at = posture(layout);
	const shape = shapeOf(layout, at);
	const drawn: Flat[] = [
		...shape.pivots,
		...shape.joints,
		...(shape.spring ?? []),
		...(shape.damper ?? []),
		shape.wheel
	];

	it('all lie on what is drawn, or between its parts', () => {
		const xs = drawn.map(([x]) => x);
		const zs = drawn.map(([, z]) => z);
		for (const place of jointPlaces) {
			const [x, z] = placeOf(layout, at, place);
			expect(x, place).toBeGreaterThanOrEqual(Math.min(...xs) - 1);
			expect(x, place).toBeLessThanOrEqual(Math.max(...xs) + 1);
			expect(z, place).toBeGreaterThanOrEqual(Math.min(...zs) - 1);
			expect(z, place).toBeLessThanOrEqual(Math.max(...zs) + 1);
		}
	});

	it('on the body stand still, on the wheel move with it', () => {
		const up = posture(layout, 30);
		expect(apart(placeOf(layout, at, 'lower-pivot'), placeOf(layout, up, 'lower-pivot'))).toBe(0);
		const [, before] = placeOf(layout, at, 'hub');
		const [, after] = placeOf(layout, up, 'hub');
		expect(after - before).toBeCloseTo(30, 3);
	});

	it('the lower arm reaches from its pivot to its joint, at one length', () => {
		const arms = [-30, 0, 30].map((bump) => armOf(layout, posture(layout, bump), 'lower')!);
		for (const { pivot } of arms) expect(apart(pivot, arms[0]!.pivot)).toBe(0);
		const lengths = arms.map(({ pivot, joint }) => apart(pivot, joint));
		expect(lengths[0]).toBeGreaterThan(150);
		// In a view along its axis; an axis that is not quite across shortens it by a little.
		for (const length of lengths) expect(Math.abs(length / lengths[0]! - 1)).toBeLessThan(0.03);
	});
});

it('every joint of every layout has a place of its own layout to be shown at', () => {
	for (const layout of layouts) {
		const mechanism = cornerMechanism(bareAxle(layout.key), 360);
		if (!mechanism.ok) throw new Error(layout.key);
		const postures = posturesAt(mechanism.value, [360]);
		if (!postures.ok) throw new Error(layout.key);
		for (const joint of layout.joints) {
			const [x, z] = placeOf(layout.mechanism, postures.value[0]!, joint.place);
			expect(Number.isFinite(x) && Number.isFinite(z), `${layout.key} ${joint.key}`).toBe(true);
		}
		// A layout with rubber at an upper arm has an upper arm to turn it.
		const upper = layout.joints.some(
			({ place, kind }) => kind === 'bonded-bush' && place === 'upper-pivot'
		);
		if (upper)
			expect(armOf(layout.mechanism, postures.value[0]!, 'upper'), layout.key).toBeDefined();
	}
});
