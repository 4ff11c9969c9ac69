import { describe, expect, it } from 'vitest';
import { axleOf } from '../height/corners';
import { findLayout, layouts } from '../layout/catalogue';
import type { Layout } from '../layout/types';
import { isDriven, partOf, springSeat } from '../layout/shape';
import { usualStrategy, type AxleScope, type WorkScope } from './scope';
import { loosenedJoints, workSteps } from './assembly-steps';
import { mayPressInCar } from './in-car';
import { jobsOf } from './jobs';
import type { Act } from './step';

type Back = Extract<Act, { do: 'back' }>;

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
		expect(warned.length > 0).toBe(isDriven(layout));
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

	it.each(each)('bring back on %s whatever they take away, by every way', (_, layout) => {
		const axle = layout.axles[0]!;
		const ways = Object.entries(layout.assembly.ways).flatMap(([part, list]) =>
			list.map(({ key }) => ({ [part]: key }))
		);
		for (const own of [{}, ...ways]) {
			const strategy = { ...usualStrategy, ways: { [axle]: own } };
			const acts = workSteps(scopeOf(layout, all, { strategy })).flatMap((step) => step.acts);
			const named = (deed: Act['do']) =>
				acts
					.filter((act) => act.do === deed)
					.map((act) => {
						const { do: _deed, lastThreads: _last, ...what } = { lastThreads: true, ...act };
						return JSON.stringify('parts' in what ? Object.keys(what) : what);
					})
					.sort();
			for (const [off, on] of [
				['wheel-off', 'wheel-on'],
				['cover-off', 'cover-on'],
				['hold', 'let-go'],
				['out', 'in'],
				['squeeze', 'unsqueeze'],
				['undo', 'start'],
				['compress', 'release'],
				['shaft-off', 'shaft-on']
			] as const) {
				expect(named(on), `${off} and ${on}`).toEqual(named(off));
			}
			const places = (deed: 'move' | 'back') =>
				new Set(
					acts.flatMap((act) => {
						if (act.do !== deed) return [];
						const parts = act.do === 'move' ? Object.keys(act.parts) : (act as Back).parts;
						return parts.map((part) => `${act.corner}/${part}`);
					})
				);
			expect(places('back')).toEqual(places('move'));
		}
	});

	it('take a mount off a damper without compressing a spring that is not on it', () => {
		const mounts = { damper: false, spring: false, bushes: false, also: ['top-mount'] };
		const kindsOn = (key: string) =>
			workSteps(scopeOf(findLayout(key)!, mounts)).map(({ kind }) => kind);
		expect(kindsOn('macpherson-front')).toContain('compress');
		expect(kindsOn('multi-link-rear')).not.toContain('compress');
		expect(kindsOn('multi-link-rear')).toContain('change-over');
	});

	it('say of a bolt how it leaves its hole, where it is undone', () => {
		const cautionOf = (key: string, kind: string) =>
			workSteps(scopeOf(findLayout(key)!)).find((step) => step.kind === kind)!.caution;
		expect(cautionOf('macpherson-front', 'undo-bottom')).toMatch(/splined bolt: turn the nut/);
		const plain = { damper: true, spring: true, bushes: false };
		const tapped = (rust: WorkScope['rust']) =>
			workSteps(scopeOf(findLayout('multi-link-rear')!, plain, { rust }))
				.filter(({ at, kind }) => at === 'RL' && kind === 'tap-through')
				.flatMap(({ joints }) => joints.map(({ key }) => key));
		expect(tapped('heavy')).toEqual(['damper-bottom', 'spring-arm-outer']);
		expect(tapped('none')).toEqual([]);
	});

	it('scribe what sets the wheel and no more, and ask for it on its mark before its torque', () => {
		const reset = { damper: false, spring: false, bushes: false, reset: true };
		const steps = workSteps(scopeOf(findLayout('multi-link-rear')!, reset));
		const keys = (kind: string) =>
			steps
				.filter((step) => step.at === 'RL' && step.kind === kind)
				.flatMap(({ joints }) => joints.map(({ key }) => key));
		expect(keys('scribe')).toEqual(['spring-arm-inner', 'toe-link-inner', 'front-link']);
		expect(keys('to-mark')).toEqual(keys('scribe'));
		const plain = workSteps(
			scopeOf(findLayout('multi-link-rear')!, { damper: true, spring: false, bushes: false })
		);
		expect(plain.map(({ kind }) => kind)).not.toContain('scribe');
	});

	it('ask no more for what readies a joint that came apart without it', () => {
		const strut = findLayout('macpherson-front')!;
		const plain = { damper: true, spring: true, bushes: false };
		const kinds = (done: WorkScope['done']) =>
			workSteps(scopeOf(strut, plain, { rust: 'light', done })).map(({ id }) => id);
		expect(kinds([])).toContain('FL/scribe');
		const undone = { stepId: 'FL/undo-bottom', inTurn: true };
		expect(kinds([undone])).not.toContain('FL/scribe');
		expect(kinds([undone])).toContain('FR/scribe');
		expect(kinds([undone])).toContain('FL/to-mark');
		// Done at fewer joints than it is at now, it is still to come.
		const fewer = { ...undone, joints: ['FL/strut-knuckle-upper'] };
		expect(kinds([fewer])).toContain('FL/scribe');
		expect(
			kinds([{ ...undone, joints: [...fewer.joints, 'FL/strut-knuckle-lower'] }])
		).not.toContain('FL/scribe');
		// Passed over by a lead, or taken back, it is still owed.
		expect(kinds([{ ...undone, inTurn: false }])).toContain('FL/scribe');
		expect(kinds([undone, { stepId: 'FL/scribe', inTurn: false }])).toContain('FL/scribe');
	});

	it('say before the stands how far down a part comes, and nothing where none does', () => {
		const cautionOf = (key: string, want: AxleScope) =>
			workSteps(scopeOf(findLayout(key)!, want)).find(({ kind }) => kind === 'stands')!.caution;
		const springs = { damper: false, spring: true, bushes: false };
		expect(cautionOf('multi-link-rear', springs)).toMatch(/about 140 mm below where it hangs/);
		const dampers = { damper: true, spring: false, bushes: false };
		expect(cautionOf('live-axle-rear', dampers)).not.toContain('comes down');
	});

	it('touch neither links nor hoses for a damper that has its ends alone', () => {
		const layout = layouts.find(({ key }) => key === 'live-axle-rear')!;
		const plain = { damper: true, spring: false, bushes: false };
		const kinds = workSteps(scopeOf(layout, plain)).map(({ kind }) => kind);
		for (const kind of [
			'links-off',
			'hose-off',
			'free-knuckle',
			'slack-bushes',
			'lower'
		] as const) {
			expect(kinds).not.toContain(kind);
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

	it('swing an arm down to press its bushes in the car: its damper’s lower bolt out for room, its joint left on', () => {
		const ask = { damper: false, spring: false, bushes: false, also: ['bush:lower-arm'] };
		const layout = findLayout('double-wishbone')!;
		const off = (ways: Record<string, string>) =>
			workSteps(
				scopeOf(layout, ask, { strategy: { ...usualStrategy, ways: { front: ways } } })
			).flatMap(({ at, acts }) =>
				at === 'FL' ? acts.flatMap((act) => (act.do === 'undo' ? [act.joint] : [])) : []
			);
		expect(off({ 'bush:lower-arm': 'in-car' }).sort()).toEqual([
			'damper-bottom',
			'lower-front-bush',
			'lower-rear-bush'
		]);
		expect(off({})).toContain('ball-joint');
		const may = ({ assembly }: Layout) =>
			assembly.parts.filter((part) => mayPressInCar(layout, part)).map(({ key }) => key);
		expect(may(layout)).toEqual(['lower-arm', 'upper-arm']);
		// A toe link has a bush at its outer end too, and a spring arm its spring.
		const multi = findLayout('multi-link-rear')!;
		const parts = ['toe-link', 'spring-arm'].map((key) => partOf(multi, key)!);
		expect(parts.filter((part) => mayPressInCar(multi, part))).toEqual([]);
	});

	it('oil rusty threads first, at every corner worked on', () => {
		const count = (rust: WorkScope['rust']) =>
			workSteps(scopeOf(layouts[0]!, all, { rust })).filter(({ kind }) => kind === 'soak').length;
		expect([count('none'), count('light'), count('heavy')]).toEqual([0, 2, 2]);
	});

	it('of a coilover kit let the old spring off, and set the perch of the new unit before it goes in', () => {
		const kit = { damper: false, spring: false, bushes: false, also: ['coilover'] };
		const kinds = (key: string, assembly: 'rebuild' | 'complete') =>
			workSteps(scopeOf(findLayout(key)!, kit, { strategy: { ...usualStrategy, assembly } }))
				.filter(
					({ phase, corners: [corner, other] }) => phase === 'bench' && !other && corner === 'FL'
				)
				.map(({ kind }) => kind);
		expect(kinds('macpherson-front', 'rebuild')).toEqual([
			'compare',
			'compress',
			'shaft-off',
			'let-off',
			'restack',
			'shaft-on',
			'perch'
		]);
		expect(kinds('macpherson-front', 'complete')).toEqual(['compare', 'check-unit', 'perch']);
		const rear = workSteps(scopeOf(findLayout('twist-beam-spring')!, kit)).map(({ kind }) => kind);
		for (const kind of ['spring-out', 'damper-out', 'perch', 'spring-in'] as const)
			expect(rear).toContain(kind);
		for (const key of ['air-strut-front', 'live-axle-air', 'multi-link-air-strut'])
			expect(jobsOf(findLayout(key)!).map(({ id }) => id)).not.toContain('coilover');
	});

	it('leave the bench out for units that come complete, and only for struts and coilovers', () => {
		for (const layout of layouts) {
			const kinds = (assembly: 'rebuild' | 'complete') =>
				workSteps(scopeOf(layout, all, { strategy: { ...usualStrategy, assembly } })).map(
					({ kind }) => kind
				);
			expect(kinds('complete')).not.toContain('compress');
			expect(kinds('rebuild').includes('compress')).toBe(springSeat(layout) === 'on-damper');
		}
	});
});
