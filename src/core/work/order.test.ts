import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layouts } from '../layout/catalogue';
import type { Layout } from '../layout/types';
import type { Axle } from '../height/corners';
import { blockedBy, linedUp, moveStep, waiting, workOrder } from './order';
import { replay } from './replay/replay';
import { makeSite, rules } from './rules';
import { usualStrategy, type AxleScope, type Strategy, type WorkScope } from './scope';
import { workSteps } from './steps';

const pairOf = (axle: Axle) =>
	axle === 'front' ? (['FL', 'FR'] as const) : (['RL', 'RR'] as const);

function scopeOf(
	layout: Layout,
	want: AxleScope = { damper: true, spring: true, bushes: false },
	strategy: Partial<Strategy> = {},
	rust: WorkScope['rust'] = 'none'
): WorkScope {
	const axle = layout.axles[0]!;
	return {
		axles: { [axle]: want },
		corners: pairOf(axle),
		layouts: { front: layout, rear: layout },
		strategy: { ...usualStrategy, ...strategy },
		rust
	};
}

/** Every step that comes before one, by whatever way. */
function ancestors(
	waitsFor: ReadonlyMap<string, ReadonlyMap<string, unknown>>,
	id: string
): Set<string> {
	const found = new Set<string>();
	const look = (one: string) => {
		for (const earlier of waitsFor.get(one)!.keys()) {
			if (found.has(earlier)) continue;
			found.add(earlier);
			look(earlier);
		}
	};
	look(id);
	return found;
}

const wants: AxleScope[] = [
	{ damper: true, spring: false, bushes: false },
	{ damper: false, spring: true, bushes: false },
	{ damper: true, spring: true, bushes: false },
	{ damper: false, spring: false, bushes: true },
	{ damper: true, spring: true, bushes: true },
	{ damper: false, spring: true, bushes: false, reset: true },
	{ damper: true, spring: true, bushes: false, reset: true }
];

/** Every way of each layout. */
function* everyScope(
	of: readonly Layout[],
	grades: readonly WorkScope['rust'][]
): Generator<WorkScope> {
	for (const layout of of)
		for (const want of wants)
			for (const assembly of ['rebuild', 'complete'] as const)
				for (const springOut of ['lower-arm', 'internal-compressor'] as const)
					for (const first of ['bottom', 'top'] as const)
						for (const sides of ['one-by-one', 'together'] as const)
							for (const load of ['jack-to-height', 'on-wheels'] as const)
								for (const rust of grades)
									yield scopeOf(layout, want, { assembly, springOut, first, sides, load }, rust);
}

describe('the order of work', () => {
	it.each(layouts.map((layout) => [layout.key, layout] as const))(
		'holds spring, arm, axle, hose and car at every step of %s, whatever the way',
		(_, layout) => {
			const hurt: object[] = [];
			let orders = 0;
			for (const scope of everyScope([layout], ['none', 'heavy'])) {
				const violations = replay(workOrder(scope).steps, scope);
				if (violations.length) hurt.push({ ...scope.strategy, ...scope.axles, violations });
				orders++;
			}
			expect(hurt).toEqual([]);
			expect(orders).toBe(wants.length * 2 ** 5 * 2);
		}
	);

	it('holds in every order the rules allow, so two people and a hand that reorders are safe too', () => {
		const scopes = [...everyScope(layouts, ['heavy'])];
		fc.assert(
			fc.property(
				fc.constantFrom(...scopes),
				fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })),
				(scope, chance) => {
					const steps = workSteps(scope);
					const order = linedUp(steps, waiting(steps, scope, rules), () => [chance.next().value]);
					expect(replay(order, scope)).toEqual([]);
				}
			),
			{ numRuns: 1500 }
		);
	});

	it('is the same order for one person and for two: only the time differs', () => {
		for (const layout of layouts) {
			const ids = ([1, 2] as const).map((people) =>
				workOrder(scopeOf(layout, wants[4], { people }, 'light')).steps.map(({ id }) => id)
			);
			expect(ids[0]).toEqual(ids[1]);
		}
	});

	/** Every way, far apart ones one after the other: what a rule is for is met early. */
	const all = [...everyScope(layouts, ['heavy'])];
	const mixed = all.map((_, i) => all[(i * 487) % all.length]!);
	const safety = rules.filter(({ choice }) => !choice);
	it.each(safety.map((rule) => [rule.id, rule] as const))(
		'needs the rule %s: without it some order hurts',
		(_, rule) => {
			const others = rules.filter((one) => one !== rule);
			let caught = false;
			for (const scope of mixed) {
				if (caught) break;
				const steps = workSteps(scope);
				const waitsFor = waiting(steps, scope, others);
				const edges = rule.edges(makeSite(steps, scope));
				for (const [first, then] of edges) {
					if (waitsFor.get(then)!.has(first)) continue;
					// As late as can be for the one, as early as can be for the other.
					const early = ancestors(waitsFor, then);
					if (early.has(first)) continue;
					const order = linedUp(steps, waitsFor, ({ id }) => [
						early.has(id) || id === then ? 0 : id === first ? 2 : 1,
						steps.findIndex((step) => step.id === id)
					]);
					if (replay(order, scope).length) {
						caught = true;
						break;
					}
				}
			}
			expect(caught).toBe(true);
		}
	);

	it('lets a person move a step only where no rule is broken, and says which rule', () => {
		const scope = scopeOf(layouts.find(({ key }) => key === 'double-wishbone-spring-on-arm')!);
		const order = workOrder(scope);
		const at = (id: string) => order.steps.findIndex((step) => step.id === id);
		const axle = scope.corners[0]!;
		const refused = moveStep(order, `${axle}/holder-off`, at(`${axle}/support`));
		expect(refused.ok).toBe(false);
		if (!refused.ok) expect(refused.faults[0]!.message).toMatch(/stays after .*(Crack|jack)/);
		const hose = `${axle}/hose-off`;
		const moved = moveStep(order, hose, at(hose) + 1);
		expect(moved.ok).toBe(true);
		if (moved.ok) {
			const again = workOrder(scope, moved.value);
			expect(again.steps.map(({ id }) => id)).toEqual(moved.value);
			expect(replay(again.steps, scope)).toEqual([]);
		}
	});

	it('says what a step still waits for', () => {
		const order = workOrder(scopeOf(layouts[0]!));
		const blocked = blockedBy(order, 'car/lift', new Set(['car/heights-before', 'car/chock']));
		expect(blocked.map(({ step }) => step.id)).toEqual(['car/crack-wheels']);
		expect(blocked[0]!.rule.words).toMatch(/on the ground/);
	});

	it('lowers a beam on both sides even where one corner was asked for', () => {
		const beam = layouts.find(({ key }) => key === 'twist-beam-spring')!;
		const scope = { ...scopeOf(beam, wants[1]), corners: ['RL'] as const };
		const order = workOrder(scope);
		expect(order.steps.filter(({ kind }) => kind === 'spring-out')).toHaveLength(2);
		expect(replay(order.steps, scope)).toEqual([]);
	});

	it('leaves nothing to do where nothing is renewed', () => {
		expect(
			workOrder(scopeOf(layouts[0]!, { damper: false, spring: false, bushes: false })).steps
		).toEqual([]);
	});
});
