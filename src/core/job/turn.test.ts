import { describe, expect, it } from 'vitest';
import { usualStrategy, type Strategy } from '../work/scope';
import type { Entry } from './book/entry';
import { demoRecord } from '../../../demo/jobs.testing';
import { onGround, questionBefore, waitsFor } from './turn';
import { viewWork } from './work';

const limits = { setDeg: 2, advisedDeg: 5 };

/** A strut job as it stands, gone about in some way. */
function gone(how: Partial<Strategy>) {
	const record = demoRecord('2026-0268');
	const seq = record.entries.length + 1;
	const said = { kind: 'strategy', subject: 'car', data: { ...usualStrategy, ...how } };
	record.entries.push({ ...said, id: 'said', seq } as unknown as Entry);
	const joint = record.joints.find(({ corner, key }) => corner === 'FR' && key === 'top-mount')!;
	return { record, joint, work: viewWork(record, limits) };
}

describe('upper nuts that get their torque under the weight', () => {
	it('wait until the car is down, and are recorded on its wheels', () => {
		const { record, joint, work } = gone({ topNuts: 'weight-on' });
		expect(onGround(work, joint)).toBe(true);
		// Everything but the wheels on the ground is done.
		const rest = work.order.steps.filter(({ id }) => id !== 'car/ground').map(({ id }) => id);
		const ready = { ...work, done: new Set(rest) };
		expect(waitsFor(ready, joint, 'loaded')?.id).toBe('car/ground');
		const how = { action: 0, carState: 'loaded', method: 'on-wheels' } as const;
		expect(questionBefore(record, ready, { clamped: false }, joint, how)).toEqual({ kind: 'down' });
		const down = { ...work, done: new Set([...rest, 'car/ground']) };
		expect(questionBefore(record, down, { clamped: false }, joint, how)).toBeUndefined();
	});

	it('go with the others where the shop does it so', () => {
		const { joint, work } = gone({});
		expect(onGround(work, joint)).toBe(false);
		expect(onGround(work, { ...joint, rule: 'wheels-on-ground' })).toBe(true);
	});
});
