/** Why one step waits for another. Each rule is a reason a person can be told. Common practice, no source. */
import { axleOf, type Axle, type Corner } from '../height/corners.ts';
import type { StepKind } from './kinds.ts';
import { axlePlans, type AxlePlan, type Strategy, type WorkScope } from './scope.ts';
import type { WorkStep } from './step.ts';

export interface Rule {
	id: string;
	words: string;
	/** A way somebody chose, not a matter of safety. */
	choice?: boolean;
	edges(site: Site): Edge[];
}

/** Ids of two steps: the first comes before the second. */
type Edge = readonly [before: string, after: string];

/** The steps of a job, to be looked up by kind and place. */
export interface Site {
	steps: readonly WorkStep[];
	plans: readonly AxlePlan[];
	strategy: Strategy;
	/** All steps of these kinds that touch this place; all places if absent. */
	find(kindList: readonly StepKind[], place?: 'car' | Axle | Corner): WorkStep[];
}

export function makeSite(steps: readonly WorkStep[], scope: WorkScope): Site {
	const byKind = new Map<StepKind, WorkStep[]>();
	for (const step of steps) byKind.set(step.kind, [...(byKind.get(step.kind) ?? []), step]);
	const touches = (step: WorkStep, place: 'car' | Axle | Corner) =>
		step.at === place ||
		step.at === 'car' ||
		step.corners.some((corner) => corner === place || axleOf(corner) === place);
	return {
		steps,
		plans: axlePlans(scope),
		strategy: scope.strategy,
		find: (kindList, place) =>
			kindList
				.flatMap((kind) => byKind.get(kind) ?? [])
				.filter((step) => place === undefined || touches(step, place))
	};
}

const before = (first: readonly WorkStep[], then: readonly WorkStep[]): Edge[] =>
	first.flatMap((a) => then.filter((b) => b !== a).map((b): Edge => [a.id, b.id]));

/** The same at each corner that is worked on. */
const atEach =
	(first: readonly StepKind[], then: readonly StepKind[]) =>
	(site: Site): Edge[] =>
		site.plans.flatMap(({ corners }) =>
			corners.flatMap((corner) => before(site.find(first, corner), site.find(then, corner)))
		);

/** Kinds that undo or slacken something at a corner. */
const undoing: readonly StepKind[] = [
	'hose-off',
	'undo-bottom',
	'undo-top',
	'air-line-off',
	'free-knuckle',
	'crack-taper',
	'holder-off',
	'slack-bushes',
	'link-off'
];
/** Kinds after which the knuckle or arm may move. */
const moving: readonly StepKind[] = [
	'undo-bottom',
	'free-knuckle',
	'crack-taper',
	'holder-off',
	'lower',
	'slack-bushes',
	'link-off'
];
/** Kinds with the arm off its droop stop. */
const armDown: readonly StepKind[] = [...moving, 'undo-top', 'squeeze'];
/** Kinds that put joints back by hand. */
const starting: readonly StepKind[] = [
	'damper-in',
	'knuckle-on',
	'holder-on',
	'air-line-on',
	'hose-on'
];
const stripFromSupport: readonly StepKind[] = [
	'support',
	'tie',
	...armDown,
	'air-line-off',
	'vent'
];

export const rules: readonly Rule[] = [
	{
		id: 'heights-first',
		words: 'Heights are read before anything is touched: afterwards the old height is gone.',
		edges: (site) => before(site.find(['heights-before']), site.find(['crack-wheels', 'chock']))
	},
	{
		id: 'oil-first',
		words: 'Oil needs time in the thread before the spanner comes.',
		edges: (site) => before(site.find(['soak']), site.find(['heights-before', 'crack-wheels']))
	},
	{
		id: 'wheels-loose-on-ground',
		words: 'Wheel fasteners break loose on the ground: on stands it rocks the car off them.',
		edges: (site) => before(site.find(['crack-wheels']), site.find(['lift']))
	},
	{
		id: 'chocks-first',
		words: 'Chocks before the jack: the wheels that stay down hold the car.',
		edges: (site) => before(site.find(['chock']), site.find(['lift']))
	},
	{
		id: 'secured-first',
		words: 'The car stands on its stands before anyone works at it.',
		edges: (site) => [
			...before(site.find(['lift']), site.find(['stands'])),
			...before(site.find(['stands']), site.find(['wheel-off', 'trim-off', 'vent']))
		]
	},
	{
		id: 'wheel-out-of-the-way',
		words: 'The wheel comes off first, and lies under the sill.',
		edges: (site) => [
			...atEach(['wheel-off'], ['mark', 'support', 'tie'])(site),
			...before(site.find(['wheel-off']), site.find(['links-off']))
		]
	},
	{
		id: 'marked-first',
		words: 'Marks and photo before anything turns: they are how it goes back.',
		edges: (site) => [
			...atEach(['mark'], [...undoing, 'support'])(site),
			...site.plans.flatMap(({ axle, corners }) =>
				before(
					corners.flatMap((corner) => site.find(['mark'], corner)),
					site.find(['links-off'], axle)
				)
			)
		]
	},
	{
		id: 'trim-first',
		words: 'The upper end is reached only with the trim off.',
		edges: atEach(['trim-off'], ['undo-top'])
	},
	{
		id: 'air-out',
		words: 'Air is let out before anything of it is undone; the system is off before that.',
		edges: (site) => [
			...before(site.find(['ignition-off']), site.find(['vent'])),
			...atEach(['vent'], ['air-line-off', 'undo-bottom', 'undo-top', 'free-knuckle'])(site)
		]
	},
	{
		id: 'air-line-off-first',
		words: 'The air line comes off before the strut moves away from it.',
		edges: atEach(['air-line-off'], ['damper-out'])
	},
	{
		id: 'hose-first',
		words: 'Hose and wire come off before the knuckle moves: they may not bear it.',
		edges: atEach(['hose-off'], [...moving, 'squeeze', 'hose-on'])
	},
	{
		id: 'links-together',
		words: 'Both drop links of the axle are off before an arm moves, and go on together after.',
		edges: (site) =>
			site.plans.flatMap(({ axle, corners }) => [
				...before(
					site.find(['links-off'], axle),
					corners.flatMap((corner) => site.find(armDown, corner))
				),
				...before(
					corners.flatMap((corner) =>
						site.find(['damper-in', 'raise', 'holder-on', 'unsqueeze', ...armDown], corner)
					),
					site.find(['links-on'], axle)
				),
				...before(site.find(['links-on', 'tighten'], axle), site.find(['links-tight'], axle))
			])
	},
	{
		id: 'support-first',
		words: 'A jack bears the arm before its last hold is undone: it drops.',
		edges: atEach(['support'], armDown)
	},
	{
		id: 'knuckle-tied',
		words: 'The knuckle is tied before the strut lets go of it.',
		edges: atEach(['tie'], ['undo-bottom', 'undo-top', 'free-knuckle'])
	},
	{
		id: 'nut-on-threads',
		words: 'The taper is cracked with its nut on the threads, and the nut comes off last.',
		edges: atEach(['crack-taper'], ['holder-off'])
	},
	{
		id: 'free-before-lowered',
		words: 'The arm comes down only when damper and joint are off it.',
		edges: atEach(['undo-bottom', 'holder-off'], ['lower'])
	},
	{
		id: 'spring-loose-first',
		words: 'A spring comes out only when nothing presses on it any more.',
		edges: atEach(['lower', 'squeeze'], ['spring-out'])
	},
	{
		id: 'undone-before-out',
		words: 'A damper comes out when both ends and the knuckle are free.',
		edges: atEach(['undo-bottom', 'undo-top', 'free-knuckle'], ['damper-out'])
	},
	{
		id: 'compare-first',
		words: 'Old against new before anything is fitted: a difference is explained first.',
		edges: (site) => [
			...atEach(['damper-out', 'spring-out'], ['compare'])(site),
			...atEach(['compare'], ['compress', 'prime', 'damper-in', 'spring-in'])(site)
		]
	},
	{
		id: 'spring-free-first',
		words: 'The shaft nut is touched only when the spring turns loosely in its seat.',
		edges: atEach(['compress'], ['shaft-off'])
	},
	{
		id: 'stack-in-order',
		words: 'The unit is stacked when it is apart, and its nut goes on when it is stacked.',
		edges: (site) => [
			...atEach(['shaft-off'], ['restack'])(site),
			...atEach(['restack'], ['shaft-on'])(site)
		]
	},
	{
		id: 'nut-before-release',
		words: 'The compressor is let off only against a shaft nut that is on.',
		edges: atEach(['shaft-on'], ['release'])
	},
	{
		id: 'unit-ready-first',
		words: 'The unit is finished on the bench before it goes into the car.',
		edges: atEach(['release', 'prime'], ['damper-in'])
	},
	{
		id: 'one-link-at-a-time',
		words: 'One link of the axle at a time: with two off, the axle rolls.',
		edges: (site) =>
			site.plans.flatMap(({ axle }) => {
				const [off, on] = [site.find(['link-off'], axle), site.find(['link-on'], axle)];
				return off.flatMap((link, i): Edge[] => [
					[link.id, on[i]!.id],
					...(off[i + 1] ? [[on[i]!.id, off[i + 1]!.id] as const] : [])
				]);
			})
	},
	{
		id: 'links-with-axle-held',
		words: 'Links of the axle are changed while dampers and springs hold it.',
		edges: (site) =>
			site.plans.flatMap(({ axle }) =>
				before(
					site.find(['link-on'], axle),
					site.find(['undo-bottom', 'undo-top', 'lower', 'squeeze'], axle)
				)
			)
	},
	{
		id: 'spring-in-first',
		words:
			'The spring is in its seats before the arm goes up, and the arm is up before its joints go on.',
		edges: (site) => [
			...atEach(['spring-out'], ['spring-in'])(site),
			...atEach(['spring-in'], ['raise', 'unsqueeze'])(site),
			...atEach(['raise'], ['holder-on', 'damper-in'])(site)
		]
	},
	{
		id: 'joint-on-before-damper',
		words:
			'The joint that holds the spring goes on before the damper: the jack alone should not bear it long.',
		edges: atEach(['holder-on'], ['damper-in'])
	},
	{
		id: 'knuckle-after-damper',
		words: 'The knuckle goes back when the damper is in it.',
		edges: (site) => [
			...atEach(['damper-in'], ['knuckle-on', 'untie', 'air-line-on'])(site),
			...atEach(['knuckle-on'], ['hose-on'])(site)
		]
	},
	{
		id: 'hose-back-last',
		words: 'The hose goes back when the knuckle is where it stays.',
		edges: atEach(
			['damper-in', 'holder-on', 'unsqueeze', 'raise', 'link-on', ...moving],
			['hose-on']
		)
	},
	{
		id: 'all-started-first',
		words: 'Everything is started by hand before anything is tight.',
		edges: (site) => [
			...atEach([...starting, 'unsqueeze', 'slack-bushes', 'link-on'], ['tighten'])(site)
		]
	},
	{
		id: 'jack-away-last',
		words: 'The jack comes away when the joints that hold the arm have their torque.',
		edges: atEach(['tighten', 'untie'], ['unsupport'])
	},
	{
		id: 'rigid-before-load',
		words: 'Rigid joints and both links have their torque before the corner is loaded.',
		edges: (site) => [
			...atEach(['tighten', 'unsupport'], ['load', 'wheel-on'])(site),
			...site.plans.flatMap(({ axle }) =>
				before(site.find(['links-tight'], axle), site.find(['load', 'wheel-on'], axle))
			)
		]
	},
	{
		id: 'rubber-at-height',
		words: 'Rubber gets its torque at ride height: set hanging, it stays twisted.',
		edges: atEach(['load'], ['set-rubber'])
	},
	{
		id: 'wheel-after-rubber',
		words: 'Jacked to height, rubber is set with the wheel off; on its wheels, with the car down.',
		edges: (site) =>
			site.strategy.load === 'jack-to-height'
				? atEach(['set-rubber'], ['wheel-on'])(site)
				: before(site.find(['ground']), site.find(['load']))
	},
	{
		id: 'wheels-on-first',
		words: 'Every wheel is on before the stands come away.',
		edges: (site) => before(site.find(['wheel-on']), site.find(['ground']))
	},
	{
		id: 'wheels-on-ground',
		words: 'Wheels get their torque on the ground.',
		edges: (site) => before(site.find(['ground']), site.find(['torque-wheels']))
	},
	{
		id: 'heights-last',
		words: 'Heights after are read when everything has its torque.',
		edges: (site) =>
			before(site.find(['torque-wheels', 'set-rubber']), site.find(['heights-after']))
	},
	{
		id: 'end-first',
		words: 'The end chosen to come off first.',
		choice: true,
		edges: (site) =>
			site.strategy.first === 'bottom'
				? atEach(['undo-bottom'], ['undo-top'])(site)
				: atEach(['undo-top'], ['undo-bottom'])(site)
	},
	{
		id: 'side-after-side',
		words: 'One side is finished before the other is opened, so that one stays to look at.',
		choice: true,
		edges: (site) =>
			site.strategy.sides === 'together'
				? []
				: site.plans.flatMap(({ corners: [one, other], layout, armSpring }) =>
						!one || !other || (layout.build.oneBody && armSpring)
							? []
							: before(
									site.find(['tighten', 'untie', 'unsupport'], one),
									site.find(stripFromSupport, other).filter(({ corners }) => corners.length === 1)
								)
					)
	}
];
