import { describe, expect, it } from 'vitest';
import { findLayout } from '../layout/catalogue';
import { usualStrategy, type WorkScope } from '../work/scope';
import { armOrBush } from './arm-or-bush';

const layout = findLayout('macpherson-front')!;
const scope = (rust: WorkScope['rust'], corners: WorkScope['corners'] = ['FL']): WorkScope => ({
	axles: { front: { damper: false, spring: false, bushes: false, also: ['bush:lower-arm'] } },
	corners,
	layouts: { front: layout, rear: layout },
	strategy: usualStrategy,
	rust
});
const costs = { labourPerHour: 60, waitPerHour: 50, partWaitHours: 4 };
const prices = { arm: 120, bushes: 30, joint: 25 };
const asked = (rust: WorkScope['rust'], more = {}) =>
	armOrBush(scope(rust), 'front', 'lower-arm', { ...prices, ...more }, costs);

describe('a whole arm against new bushes in the old one', () => {
	it('costs its price, and saves the press', () => {
		const { arm, bushes, bushCount, hasJoint } = asked('none');
		expect([bushCount, hasJoint]).toEqual([2, true]);
		expect(arm.parts).toBe(120);
		expect(bushes.parts).toBe(55);
		expect(bushes.minutes - arm.minutes).toBeGreaterThan(15);
		expect(arm.labour).toBeCloseTo(arm.minutes, 9);
		expect(arm.all).toBeCloseTo(arm.parts + arm.labour, 9);
	});

	it('weighs how often an old bush takes its arm with it, by rust', () => {
		const risks = (['none', 'light', 'heavy'] as const).map((rust) => asked(rust).bushes.risk);
		// An arm nobody ordered, and a car that waits four hours for it.
		for (const [i, share] of [0.02, 0.06, 0.15].entries())
			expect(risks[i]).toBeCloseTo(share * (120 + 200), 9);
		expect(asked('heavy').arm.risk).toBe(0);
	});

	it('says which is cheaper, whatever was asked for so far', () => {
		expect(asked('heavy').cheaper).toBe('arm');
		expect(asked('none', { arm: 300 }).cheaper).toBe('bushes');
		const both = armOrBush(scope('none', ['FL', 'FR']), 'front', 'lower-arm', prices, costs);
		expect(both.arm.parts).toBe(240);
	});
});
