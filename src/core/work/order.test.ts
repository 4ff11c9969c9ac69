import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layouts } from '../layout/catalogue';
import { damperEnd, springSeat } from '../layout/shape';
import type { Layout, LayoutCover } from '../layout/types';
import { mayPressInCar } from './in-car';
import { mayClear, withCovers } from './in-the-way';
import type { Knowledge } from './shop-knowledge';
import type { Axle } from '../height/corners';
import { blockedBy, linedUp, moveStep, waiting, workOrder } from './order';
import { replay } from './replay/replay';
import { edgesOf, needRules } from './needs';
import { jobsOf } from './jobs';
import { together, usualStrategy, type AxleScope, type Strategy, type WorkScope } from './scope';
import type { WorkStep } from './step';
import { workSteps } from './assembly-steps';
import { seedOfTheDay } from '../../../tests/seed';

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

const assemblies = ['rebuild', 'complete'] as const;
const insides = ['before-lifting', 'on-stands'] as const;

/** Each job beside dampers and springs alone, all of them at once, and each with a damper. */
function alsoOf(layout: Layout): AxleScope[] {
	const none = { damper: false, spring: false, bushes: false };
	const ids = jobsOf(layout).map(({ id }) => id);
	return [
		...ids.map((id) => ({ ...none, also: [id] })),
		...ids.map((id) => ({ ...none, damper: true, also: [id] })),
		{ ...none, spring: true, also: ids },
		{ ...none, damper: true, spring: true, reset: true, also: ids }
	];
}

/** What is chosen besides the job and its ways. The liking of a shop differs from one choice to the next. */
const preferences = (i: number): Partial<Strategy> => ({
	...(i % 2 === 1 && { soak: 'wheel-off' }),
	...(i % 3 === 1 && { topNuts: 'weight-on' }),
	...(i % 5 < 2 && { easeTop: true }),
	...(i % 7 < 3 && { stands: 'subframe' })
});
const choices = (['bottom', 'top'] as const).flatMap((first) =>
	(['jack-to-height', 'on-wheels'] as const).flatMap((load) =>
		insides.flatMap((inside) =>
			(['one-by-one', 'together', 'one-side'] as const).map((sides) => ({
				first,
				load,
				inside,
				sides
			}))
		)
	)
);
/** Of all choices each job and way meets one in so many; another one each time, and other ones each day. */
const share = 12;
const seed = seedOfTheDay('order of work');

/**
 * Every job by every way on each layout, with a share of all choices, so that over the jobs and the days all of
 * them meet every job and every way.
 *
 * @param today other numbers are other days
 */
function* everyScope(of: readonly Layout[], today = seed): Generator<WorkScope> {
	let turn = today;
	// How many choices have been made, so that preferences go through all of them.
	let asked = today;
	for (const layout of of) {
		const axle = layout.axles[0]!;
		for (const want of [...wants, ...alsoOf(layout)])
			for (const ways of everyWay(layout))
				for (const assembly of springSeat(layout) === 'on-damper'
					? assemblies
					: ['rebuild' as const]) {
					turn++;
					for (const { sides, inside, ...how } of choices.filter(
						(_, i) => (i + turn) % share === 0
					)) {
						const all = {
							...how,
							...preferences(asked++),
							assembly,
							ways: { [axle]: { ...ways, ...(asked % 2 === 0 && pressedInCar(layout)) } },
							sides: sides === 'one-by-one' ? sides : ('together' as const),
							...(layout.assembly.covers.length && { inside })
						};
						const scope = asSomeCar(scopeOf(layout, want, all, 'heavy'), asked);
						yield sides === 'one-side' ? { ...scope, corners: [pairOf(axle)[1]] } : scope;
					}
				}
	}
}

/** Every third car has its caliper and disc, and a hub nut, in the way; every fourth more covers than is usual. */
function asSomeCar(scope: WorkScope, i: number): WorkScope {
	const [axle, want] = Object.entries(scope.axles)[0] as [Axle, AxleScope];
	const usual = scope.layouts[axle];
	const clear = i % 3 === 1 ? mayClear(usual).map(({ key }) => key) : [];
	const over = damperEnd(usual, 'top').map(({ key }) => key);
	const told = (key: string, more: Partial<LayoutCover>): Knowledge => ({
		what: 'cover',
		text: key,
		where: axle,
		anchor: `cover:${key}`,
		cover: { key, name: key, where: 'boot', over: [], ...more }
	});
	const covers = [
		told('floor', { liesOn: ['lining'], shared: true, ...(i % 8 === 1 && { where: 'arch' }) }),
		told('lining', { over }),
		told('tray', { where: 'under', over: damperEnd(usual, 'bottom').map(({ key }) => key) })
	];
	const layout = i % 4 === 1 ? withCovers(usual, axle, covers) : usual;
	return {
		...scope,
		axles: { [axle]: clear.length ? { ...want, clear } : want },
		layouts: { front: layout, rear: layout }
	};
}

/** Every arm that may be pressed in the car is. */
const pressedInCar = (layout: Layout): Record<string, string> =>
	Object.fromEntries(
		jobsOf(layout).flatMap(({ job, part }) =>
			job.press && part && mayPressInCar(layout, part) ? [[`bush:${part.key}`, 'in-car']] : []
		)
	);

/** Each way of each part with each of the others. */
function everyWay({ assembly }: Layout): Record<string, string>[] {
	return Object.entries(assembly.ways).reduce<Record<string, string>[]>(
		(all, [part, ways]) => {
			const squeezed = ways.find(({ compressor }) => compressor)?.key;
			const keys = ways.flatMap(({ key }) =>
				squeezed && key !== squeezed ? [key, `${key}${together}${squeezed}`] : [key]
			);
			return all.flatMap((one) => keys.map((key) => ({ ...one, [part]: key })));
		},
		[{}]
	);
}

describe('the order of work', () => {
	it.each(layouts.map((layout) => [layout.key, layout] as const))(
		'holds spring, arm, axle, hose and car at every step of %s, whatever the way',
		(_, layout) => {
			const hurt: object[] = [];
			let orders = 0;
			for (const scope of everyScope([layout])) {
				const violations = replay(workOrder(scope).steps, scope);
				if (violations.length) hurt.push({ ...scope.strategy, ...scope.axles, violations });
				orders++;
			}
			expect(hurt).toEqual([]);
			expect(orders).toBeGreaterThan(25);
		}
	);

	it('holds in every order the rules allow, so two people and a hand that reorders are safe too', () => {
		const scopes = [...everyScope(layouts)];
		fc.assert(
			fc.property(
				fc.constantFrom(...scopes),
				fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })),
				(scope, chance) => {
					const steps = workSteps(scope);
					const order = linedUp(steps, waiting(steps, scope), () => [chance.next().value]);
					expect(replay(order, scope)).toEqual([]);
				}
			),
			{ numRuns: 400, seed }
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

	/**
	 * Far apart ways one after the other, so that what a rule is for is met early; the choices of other days only
	 * where those of today do not meet it.
	 */
	const days: WorkScope[][] = [];
	function* mixed(): Generator<WorkScope> {
		for (let day = 0; day < share; day++) {
			const all = (days[day] ??= [...everyScope(layouts, seed + day)]);
			for (let i = 0; i < all.length; i++) yield all[(i * 487) % all.length]!;
		}
	}
	/** The steps of a scope and what orders them, once for all rules. */
	const known = new Map<WorkScope, { steps: WorkStep[]; edges: ReturnType<typeof edgesOf> }>();
	const orderOf = (scope: WorkScope) => {
		const steps = known.get(scope)?.steps ?? workSteps(scope);
		const found = known.get(scope) ?? { steps, edges: edgesOf(steps, scope) };
		known.set(scope, found);
		return found;
	};
	it.each(needRules.map((rule) => [rule.id, rule] as const))(
		'follows the rule that %s: without it some order hurts',
		(id) => {
			let caught = false;
			for (const scope of mixed()) {
				if (caught) break;
				const { steps, edges } = orderOf(scope);
				const ruled = edges.filter(({ rule }) => rule.id === id);
				if (ruled.length === 0) continue;
				const waitsFor = waiting(steps, scope, id);
				for (const { before, after } of ruled) {
					if (waitsFor.get(after)!.has(before)) continue;
					// As late as can be for the one, as early as can be for the other.
					const early = ancestors(waitsFor, after);
					if (early.has(before)) continue;
					const order = linedUp(steps, waitsFor, (step) => [
						early.has(step.id) || step.id === after ? 0 : step.id === before ? 2 : 1,
						steps.findIndex((one) => one === step)
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
		const jack = `${axle}/support`;
		const moved = moveStep(order, jack, at(jack) + 1);
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
