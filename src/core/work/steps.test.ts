import { describe, expect, it } from 'vitest';
import { axleOf } from '../height/corners';
import { layouts } from '../layout/catalogue';
import type { Layout } from '../layout/types';
import { usualStrategy, type AxleScope, type WorkScope } from './scope';
import { loosenedJoints, workSteps } from './steps';

const all: AxleScope = { damper: true, spring: true, bushes: true };

function scopeOf(layout: Layout, want = all, change: Partial<WorkScope> = {}): WorkScope {
	const axle = layout.axles[0]!;
	return {
		axles: { [axle]: want },
		corners: axle === 'front' ? ['FL', 'FR'] : ['RL', 'RR'],
		layouts: { front: layout, rear: layout },
		strategy: usualStrategy,
		rust: 'none',
		...change
	};
}
const each = layouts.map((layout) => [layout.key, layout] as const);

describe('the steps of a job', () => {
	it('are none where nothing is renewed', () => {
		const nothing = { damper: false, spring: false, bushes: false };
		expect(workSteps(scopeOf(layouts[0]!, nothing))).toEqual([]);
		expect(workSteps(scopeOf(layouts[0]!, all, { corners: ['RL'] }))).toEqual([]);
	});

	it.each(each)('have each an id of its own and joints of %s', (_, layout) => {
		const steps = workSteps(scopeOf(layout));
		expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
		const keys = new Set(layout.joints.map(({ key }) => key));
		for (const { joints } of steps) for (const { key } of joints) expect(keys).toContain(key);
	});

	it.each(each)('warn of the drive shaft on %s where it has one, and only there', (_, layout) => {
		const warned = workSteps(scopeOf(layout)).filter(({ caution }) =>
			caution?.includes('drive shaft')
		);
		expect(warned.length > 0).toBe(layout.build.driveShaft === true);
	});

	it.each(each)('undo on %s nothing that no later step makes fast again', (_, layout) => {
		const steps = workSteps(scopeOf(layout));
		const tight = new Set(
			steps.flatMap(({ acts }) =>
				acts.flatMap((act) => (act.do === 'tighten' ? [`${act.corner}/${act.joint}`] : []))
			)
		);
		for (const { acts } of steps) {
			for (const act of acts) {
				if (act.do === 'undo') expect(tight).toContain(`${act.corner}/${act.joint}`);
			}
		}
	});

	it.each(each)('owe the round of %s what they loosen, once each', (_, layout) => {
		const loose = loosenedJoints(scopeOf(layout));
		const names = loose.map(({ corner, key }) => `${corner}/${key}`);
		expect(new Set(names).size).toBe(names.length);
		for (const corner of scopeOf(layout).corners)
			expect(names).toContain(`${corner}/wheel-fasteners`);
		expect(loose.every(({ corner }) => axleOf(corner) === layout.axles[0])).toBe(true);
	});

	it('oil rusty threads first, at every corner worked on', () => {
		const count = (rust: WorkScope['rust']) =>
			workSteps(scopeOf(layouts[0]!, all, { rust })).filter(({ kind }) => kind === 'soak').length;
		expect([count('none'), count('light'), count('heavy')]).toEqual([0, 2, 2]);
	});

	it('leave the bench out for units that come complete, and only for struts and coilovers', () => {
		for (const layout of layouts) {
			const kinds = (assembly: 'rebuild' | 'complete') =>
				workSteps(scopeOf(layout, all, { strategy: { ...usualStrategy, assembly } })).map(
					({ kind }) => kind
				);
			expect(kinds('complete')).not.toContain('compress');
			expect(kinds('rebuild').includes('compress')).toBe(layout.build.spring === 'on-damper');
		}
	});
});
