import { describe, expect, it } from 'vitest';
import { findLayout, layouts } from '../layout/catalogue';
import { usualStrategy, type WorkScope } from '../work/scope';
import { assemblyOrRebuild } from './assembly';
import { contingency } from './contingency';
import { findPoint, inspectionPoints, pointKeys } from './points';
import { recommend, type RecommendInput } from './recommend';
import { symptomsIn } from './complaint-words';
import { suspicion } from './suspects';
import { symptomKeys, type SymptomKey } from './symptoms';

const strut = findLayout('macpherson-front')!;
const beam = findLayout('twist-beam-spring')!;
const scope = (over: Partial<WorkScope> = {}): WorkScope => ({
	axles: { front: { damper: true, spring: false, bushes: false } },
	corners: ['FL', 'FR'],
	layouts: { front: strut, rear: beam },
	strategy: usualStrategy,
	rust: 'heavy',
	...over
});
const advice = (over: Partial<RecommendInput> = {}) =>
	recommend({
		layouts: { front: strut, rear: beam },
		findings: [],
		bounces: [],
		scope: scope({ axles: {} }),
		shelf: { waitHours: 4, waitPerHour: 60, linkPrice: 25, returnLoss: 0.2 },
		...over
	});
const ids = (over: Partial<RecommendInput> = {}) => advice(over).map(({ id }) => id);

describe('complaint to suspects', () => {
	const suspects = (symptoms: readonly SymptomKey[]) => suspicion(symptoms, strut).suspects;

	it('looks at links and mounts first for a knock, at dampers for a float', () => {
		expect(suspects(['knock'])[0]!.point.key).toBe('drop-link');
		expect(suspects(['float'])[0]!.point.key).toMatch(/^damper/);
	});

	it('lets causes compete: what two symptoms point at gains, and all sum to one with something else', () => {
		const weight = (symptoms: readonly SymptomKey[]) =>
			suspects(symptoms).find(({ point }) => point.key === 'ball-joint')!;
		expect(weight(['knock', 'vague-steering']).weight).toBeGreaterThan(weight(['knock']).weight);
		expect(weight(['knock', 'vague-steering']).why).toHaveLength(2);
		expect(weight([]).weight).toBe(0);
		for (const symptoms of [[], ['knock'], ['float', 'hops', 'sways']] as const) {
			const { suspects: all, somethingElse } = suspicion(symptoms, strut);
			const sum = all.reduce((total, one) => total + one.weight, somethingElse);
			expect(sum).toBeCloseTo(1, 12);
		}
		expect(suspicion([], strut).somethingElse).toBe(1);
	});

	it.each<[string, SymptomKey[]]>([
		['Knocks over small bumps, sits low at the rear', ['knock', 'lean']],
		['Clunk when turning', ['clunk-turning']],
		['Loud bang over kerbs', ['knock']],
		['dull thud from the back, squeals cold', ['knock', 'squeak']],
		['Pulls left under braking', ['pulls']],
		['Sways in bends and the nose dives', ['sways', 'dives']],
		['Back axle hops on rough road', ['hops']],
		['No knocking any more, but it still floats', ['float']],
		['does not pull, wanders at speed', ['vague-steering']],
		['Never bottoms out; tyres wear on the inner edge', ['tyre-wear']],
		['Left rear is low when loaded', ['lean']],
		['Oil change', []],
		['Slow puncture, flowing leak', []],
		['Swallowed a bolt', []]
	])('hears %s', (complaint, symptoms) => {
		expect(symptomsIn(complaint)).toEqual(symptoms);
	});

	it('has a first place to look for every symptom on every layout', () => {
		for (const layout of layouts)
			for (const symptom of symptomKeys)
				expect(suspicion([symptom], layout).suspects[0]!.weight, symptom).toBeGreaterThan(0.15);
	});
});

describe('the walk round a corner', () => {
	it('asks only for what the layout has', () => {
		const keys = (key: string) => inspectionPoints(findLayout(key)!).map((point) => point.key);
		expect(keys('twist-beam-spring')).not.toContain('top-bearing');
		expect(keys('twist-beam-spring')).not.toContain('upper-bush');
		expect(keys('air-strut-front')).not.toContain('spring');
		expect(keys('double-wishbone')).toContain('upper-bush');
		expect(keys('macpherson-front')).toContain('top-bearing');
	});

	it('has one sound state first, and names each once', () => {
		expect(new Set(pointKeys).size).toBe(pointKeys.length);
		for (const key of pointKeys) {
			const [first, ...others] = findPoint(key)!.states;
			expect(first!.gravity).toBe('sound');
			expect(others.every(({ gravity }) => gravity !== 'sound')).toBe(true);
		}
	});
});

describe('the recommendation', () => {
	it('asks before parts are ordered whether a car that comes far down can still be aligned', () => {
		const kit = { damper: false, spring: false, bushes: false, also: ['coilover'] };
		const lowered = (FL: number, FR = FL) =>
			advice({ scope: scope({ axles: { front: kit } }), deviationMm: { FL, FR, RL: 60, RR: 60 } });
		const [first] = lowered(30, 45);
		expect(first).toMatchObject({ id: 'before:adjusters:front', kind: 'before' });
		expect(first!.reasons[0]).toMatch(/comes down by 45 mm/);
		expect(lowered(39).map(({ kind }) => kind)).not.toContain('before');
		expect(lowered(-60).map(({ kind }) => kind)).not.toContain('before');
		expect(lowered(39).map(({ id }) => id)).toContain('align:wheels');
		// A kit brings its own.
		for (const part of ['spring-pads', 'bump-stop', 'boot'])
			expect(lowered(39).map(({ id }) => id)).not.toContain(`with-it:${part}:front`);
	});

	it('renews dampers in pairs, and gives the finding and the rule as reasons', () => {
		const [line] = advice({ findings: [{ corner: 'FL', point: 'damper-oil', state: 'leak' }] });
		expect(line).toMatchObject({ id: 'renew:damper:front', quantity: 2, corners: ['FL', 'FR'] });
		expect(line!.reasons.join(' ')).toMatch(/FL damper body: leak.*pairs/);
	});

	it('renews a bush alone, and only watches a weep', () => {
		expect(ids({ findings: [{ corner: 'RR', point: 'lower-bush', state: 'split' }] })).toEqual([
			'renew:bush:RR'
		]);
		expect(ids({ findings: [{ corner: 'FL', point: 'damper-oil', state: 'weep' }] })).toEqual([
			'watch:FL:damper-oil'
		]);
		expect(ids({ findings: [{ corner: 'FL', point: 'damper-oil', state: 'sound' }] })).toEqual([]);
	});

	it('reads a bounce: a count alone is watched, count and trace renew', () => {
		expect(ids({ bounces: [{ corner: 'RL', movements: 3 }] })).toEqual(['watch:RL:bounce']);
		expect(ids({ bounces: [{ corner: 'RL', movements: 1.5 }] })).toEqual([]);
		expect(ids({ bounces: [{ corner: 'RL', movements: 3, dampingRatio: 0.12 }] })).toEqual([
			'renew:damper:rear'
		]);
		const sides = advice({
			bounces: [
				{ corner: 'FL', movements: 1, dampingRatio: 0.35 },
				{ corner: 'FR', movements: 2, dampingRatio: 0.15 }
			]
		});
		expect(sides[0]!.reasons.join(' ')).toMatch(/FR damps 0.15 .* no longer a pair/);
	});

	it('renews a sagged spring only where nothing else explains the heights', () => {
		const sag = { corners: ['RL'] as const, lossMm: 14, lossExpandedMm: 6 };
		expect(ids({ sag: { ...sag, sure: true, cannotSeparate: [] } })).toEqual(['renew:spring:rear']);
		const open = advice({ sag: { ...sag, sure: false, cannotSeparate: ['RL', 'RL and RR'] } });
		expect(open.map(({ id }) => id)).toEqual(['watch:sag']);
		expect(open[0]!.reasons[0]).toMatch(/RL, or RL and RR/);
	});

	it('adds what goes with a strut, its one-time fasteners, alignment, and links for the shelf', () => {
		const found = advice({ scope: scope(), distanceKm: 140_000 });
		const titles = found.map(({ id }) => id);
		expect(titles).toEqual([
			'with-it:bump-stop:front',
			'with-it:boot:front',
			'with-it:top-mount:front',
			'with-it:top-bearing:front',
			'hardware:one-time',
			'shelf:drop-link:front',
			'align:wheels'
		]);
		expect(found.find(({ kind }) => kind === 'hardware')!.quantity).toBe(10);
	});

	it('takes a part found worn on one corner in with the pair, and keeps none on the shelf that is bought', () => {
		const found = advice({
			scope: scope(),
			findings: [
				{ corner: 'FL', point: 'boot', state: 'split' },
				{ corner: 'FL', point: 'drop-link', state: 'loose' }
			]
		});
		const boots = found.filter(({ part }) => part === 'boot');
		expect(boots).toHaveLength(1);
		expect(boots[0]!.reasons).toEqual(['FL dust boot: split.', expect.stringMatching(/grit/)]);
		const shelf = found.find(({ kind }) => kind === 'shelf')!;
		expect([shelf.corners, shelf.quantity]).toEqual([['FR'], 1]);
	});

	it('leaves links off the shelf where threads are clean and waiting is cheap', () => {
		const lines = advice({
			scope: scope({ rust: 'none' }),
			shelf: { waitHours: 1, waitPerHour: 20, linkPrice: 40, returnLoss: 0.5 }
		});
		expect(lines.some(({ kind }) => kind === 'shelf')).toBe(false);
	});

	it('owes untouched bushes a re-set when springs change, and lamps their aim', () => {
		const springs = scope({
			axles: { rear: { damper: false, spring: true, bushes: false } },
			corners: ['RL', 'RR']
		});
		expect(ids({ scope: springs })).toEqual(
			expect.arrayContaining(['re-set:bushes:rear', 'align:lamps', 'with-it:spring-pads:rear'])
		);
	});
});

describe('a part on the shelf', () => {
	it('is worth it when waiting is dearer than sending it back', () => {
		const answer = contingency({
			breaks: 0.7,
			price: 25,
			returnLoss: 0.2,
			waitHours: 4,
			waitPerHour: 60
		});
		expect(answer).toMatchObject({ withoutCost: 168, stock: true });
		expect(answer.withCost).toBeCloseTo(1.5, 9);
		expect(answer.breakEven).toBeCloseTo(5 / 245, 9);
	});

	it('changes sides at the break-even chance', () => {
		const at = (breaks: number) =>
			contingency({ breaks, price: 100, returnLoss: 0.5, waitHours: 1, waitPerHour: 50 });
		expect(at(0.49).stock).toBe(false);
		expect(at(0.51).stock).toBe(true);
		expect(at(0.5).breakEven).toBeCloseTo(0.5, 9);
	});
});

describe('complete unit or rebuild', () => {
	const input = {
		unitPrice: 180,
		damperPrice: 90,
		wearPartsPrice: 45,
		benchMinutes: 30,
		labourPerHour: 80,
		corners: 2
	};
	it('weighs parts against bench time', () => {
		expect(assemblyOrRebuild(input)).toMatchObject({
			completeCost: 360,
			rebuildCost: 350,
			savedMinutes: 60,
			cheaper: 'rebuild'
		});
	});
	it('is even at the labour rate it names', () => {
		const { breakEvenPerHour } = assemblyOrRebuild(input);
		expect(breakEvenPerHour).toBe(90);
		expect(assemblyOrRebuild({ ...input, labourPerHour: 90 }).cheaper).toBe('even');
		expect(assemblyOrRebuild({ ...input, labourPerHour: 91 }).cheaper).toBe('complete');
	});
	it('names no rate where the unit is never dearer', () => {
		expect(assemblyOrRebuild({ ...input, unitPrice: 100 }).breakEvenPerHour).toBeUndefined();
	});
});
