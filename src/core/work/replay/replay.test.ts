import { describe, expect, it } from 'vitest';
import { findLayout } from '../../layout/catalogue';
import { axleOf } from '../../height/corners';
import type { StepKind } from '../operations';
import { workOrder } from '../order';
import { usualStrategy, type AxleScope, type Strategy, type WorkScope } from '../scope';
import type { WorkStep } from '../step';
import { withCovers } from '../in-the-way';
import type { Knowledge } from '../shop-knowledge';
import { replay } from './replay';

/** A cover that lies on another one. */
const shelf: Knowledge = {
	what: 'cover',
	text: 'Parcel shelf',
	where: 'rear',
	anchor: 'cover:parcel-shelf',
	cover: {
		key: 'parcel-shelf',
		name: 'Parcel shelf',
		where: 'cabin',
		over: [],
		liesOn: ['boot-trim'],
		shared: true,
		held: [{ what: 'clips', count: 6 }]
	}
};
const both: AxleScope = { damper: true, spring: true, bushes: false };

function scopeOf(
	key: string,
	want: AxleScope = both,
	strategy: Partial<Strategy> = {},
	rust: WorkScope['rust'] = 'light'
): WorkScope {
	const layout = findLayout(key)!;
	const axle = layout.axles[0]!;
	return {
		axles: { [axle]: want },
		corners: axle === 'front' ? ['FL', 'FR'] : ['RL', 'RR'],
		layouts: { front: layout, rear: layout },
		strategy: { ...usualStrategy, sides: 'together', ...strategy },
		rust
	};
}

type Order = readonly WorkStep[];
type Mistake = (order: Order) => Order;

const first = (order: Order, kind: StepKind) => {
	const at = order.findIndex((step) => step.kind === kind);
	if (at < 0) throw new Error(`no ${kind} in this job`);
	return at;
};
/** A step left out, at every corner. */
const forget =
	(kind: StepKind): Mistake =>
	(order) => {
		first(order, kind);
		return order.filter((step) => step.kind !== kind);
	};
/** The first step of one kind done right before the first of another. */
const hurry =
	(kind: StepKind, before: StepKind): Mistake =>
	(order) => {
		const rest = [...order];
		const [step] = rest.splice(first(order, kind), 1);
		rest.splice(first(rest, before), 0, step!);
		return rest;
	};
/** The first step of one kind done right after the last of another. */
const delay =
	(kind: StepKind, after: StepKind): Mistake =>
	(order) => {
		const rest = [...order];
		const [step] = rest.splice(first(order, kind), 1);
		const last = rest.findLastIndex((one) => one.kind === after);
		rest.splice(last + 1, 0, step!);
		return rest;
	};

/** Nuts right off, with nobody's hand under the unit. */
const bare: Mistake = (order) =>
	order.map((step) => ({
		...step,
		acts: step.acts.map((act) =>
			act.do === 'undo' ? { do: act.do, corner: act.corner, joint: act.joint } : act
		)
	}));
/** No step is marked as one for two. */
const alone: Mistake = (order) => order.map(({ people: _, ...step }) => step);

const strut = scopeOf('macpherson-front');
const clamp = scopeOf('macpherson-clamp');
const air = scopeOf('air-strut-front');
const arm = scopeOf('double-wishbone-spring-on-arm');
const inside = scopeOf('double-wishbone-spring-on-arm', both, {
	springOut: 'internal-compressor'
});
const links = scopeOf('live-axle-rear', { damper: false, spring: false, bushes: true });
const multi = scopeOf('multi-link-rear');
const coilover = scopeOf('double-wishbone');
const spread = scopeOf('multi-link-rear', both, { ways: { rear: { spring: 'spread' } } });
const levered = scopeOf('macpherson-clamp', both, { ways: { front: { damper: 'arm-down' } } });
const shaftOut = scopeOf('macpherson-clamp', both, { ways: { front: { damper: 'shaft-out' } } });
const drilled = scopeOf('multi-link-rear', { ...both, also: ['bracket'] });
const kit = scopeOf('macpherson-front', { ...both, also: ['coilover'] });
const inCar = scopeOf(
	'double-wishbone',
	{ damper: false, spring: false, bushes: false, also: ['bush:lower-arm'] },
	{ ways: { front: { 'bush:lower-arm': 'in-car' } } }
);
const stripped = scopeOf('multi-link-rear', {
	...both,
	clear: ['caliper', 'disc']
});
const nested = (() => {
	const scope = scopeOf('multi-link-rear');
	const rear = withCovers(scope.layouts.rear, 'rear', [shelf]);
	return { ...scope, layouts: { front: rear, rear } };
})();
const soaked = scopeOf('macpherson-front', both, { soak: 'wheel-off' });
const settled = scopeOf('macpherson-front', both, { topNuts: 'weight-on', easeTop: true });
const behindTrim = scopeOf('twist-beam-strut');

/** What is done wrong, on which car, and what the machine must see. */
const mistakes: [name: string, scope: WorkScope, mistake: Mistake, code: string][] = [
	['heights read on the lift', strut, delay('heights-before', 'stands'), 'heights-lost'],
	['heights never read before', strut, forget('heights-before'), 'heights-lost'],
	[
		'heights after read before the torque',
		strut,
		hurry('heights-after', 'torque-wheels'),
		'heights-lost'
	],
	[
		'wheel fasteners broken loose in the air',
		strut,
		delay('crack-wheels', 'lift'),
		'wheels-rocked'
	],
	['no chocks', strut, forget('chock'), 'not-chocked'],
	['no stands', strut, forget('stands'), 'unsupported-car'],
	['no oil on rust', strut, forget('soak'), 'not-oiled'],
	['oil after the spanner', strut, delay('soak', 'undo-bottom'), 'not-oiled'],
	['no marks', strut, forget('mark'), 'not-marked'],
	['an eccentric moved with no outline', strut, forget('scribe'), 'mark-lost'],
	['an eccentric tight away from its mark', strut, forget('to-mark'), 'off-mark'],
	['a bolt hammered out on its thread', multi, forget('tap-through'), 'thread-spoilt'],
	['a mark met while the arm is still down', spread, hurry('to-mark', 'raise'), 'off-mark'],
	['marks through the wheel', strut, hurry('mark', 'wheel-off'), 'wheel-in-way'],
	['a wheel that stays on', strut, forget('wheel-off'), 'wheel-in-way'],
	['a hose left on its bracket', strut, forget('hose-off'), 'hanging-hose'],
	['a hose back too early', strut, hurry('hose-on', 'damper-in'), 'hanging-hose'],
	['drop links left on', strut, forget('links-off'), 'link-under-load'],
	['drop links after the load', strut, delay('links-on', 'load'), 'link-under-load'],
	['no jack under the arm', inside, forget('support'), 'arm-drops'],
	['the jack away before the torque', arm, hurry('unsupport', 'tighten'), 'jack-away-early'],
	['the strap off before the torque', strut, hurry('untie', 'tighten'), 'jack-away-early'],
	['a small jack forgotten under the arm', arm, forget('unsupport'), 'jack-left'],
	['a strap forgotten on the knuckle', strut, forget('untie'), 'jack-left'],
	['a knuckle nobody ties', clamp, forget('tie'), 'knuckle-falls'],
	['a joint of the knuckle left on', clamp, forget('free-knuckle'), 'still-held'],
	['a unit out with its top on', strut, hurry('damper-out', 'undo-top'), 'still-held'],
	['the shaft nut off under force', strut, forget('compress'), 'spring-not-free'],
	['the compressor let off too early', strut, hurry('release', 'shaft-on'), 'unheld-spring'],
	['a unit fitted in its compressor', strut, forget('release'), 'unheld-spring'],
	['the nut before the stack', strut, hurry('shaft-on', 'restack'), 'not-stacked'],
	['a unit fitted without its stack', strut, forget('restack'), 'not-stacked'],
	['nothing compared', strut, forget('compare'), 'not-compared'],
	[
		'one part compared while still in the car',
		strut,
		hurry('compare', 'undo-bottom'),
		'not-compared'
	],
	['rubber set hanging', multi, hurry('set-rubber', 'load'), 'bush-at-droop'],
	['rubber never set', multi, forget('set-rubber'), 'left-open'],
	['rigid joints left', strut, forget('tighten'), 'loaded-before-rigid'],
	[
		'rigid joints tight before the unit is in',
		strut,
		hurry('tighten', 'damper-in'),
		'tight-before-started'
	],
	['down without a wheel', strut, forget('wheel-on'), 'wheel-missing'],
	['wheels torqued in the air', strut, hurry('torque-wheels', 'ground'), 'wheels-in-air'],
	['a car left on its stands', strut, forget('ground'), 'left-open'],
	['air undone with pressure on', air, forget('vent'), 'under-pressure'],
	['a car let down on an empty air spring', air, forget('fill'), 'no-air'],
	['air let in before the unit has its torque', air, hurry('fill', 'tighten'), 'under-pressure'],
	['air let out with the system live', air, forget('ignition-off'), 'valves-live'],
	['a strut pulled out by its air line', air, forget('air-line-off'), 'air-line-torn'],
	['the compressor left plugged in', air, forget('compressor-off'), 'valves-live'],
	['air let in by a system that is off', air, hurry('fill', 'system-on'), 'no-air'],
	['a damper pulled out by its plug', air, forget('plug-off'), 'wire-torn'],
	['a system that wakes with a plug off', air, hurry('system-on', 'plug-on'), 'wire-torn'],
	['heights read of a car not taught its height', air, forget('calibrate'), 'not-taught'],
	['oil with the wheel still on', soaked, hurry('soak-off', 'wheel-off'), 'wheel-in-way'],
	['a spanner before the oil', soaked, delay('soak-off', 'undo-bottom'), 'not-oiled'],
	['upper nuts tight while it hangs', settled, hurry('top-tight', 'ground'), 'mount-hanging'],
	['upper nuts eased on stands', settled, delay('ease-top', 'stands'), 'eased-in-air'],
	['a hub nut broken loose in the air', shaftOut, forget('ease-hub'), 'hub-in-air'],
	['a hub nut tight in the air', shaftOut, hurry('hub-tight', 'ground'), 'hub-in-air'],
	['a caliper on its hose', shaftOut, forget('hang'), 'hanging-hose'],
	['a bush pressed in the car with no room', inCar, forget('wedge'), 'still-held'],
	['an arm swung down against its damper', inCar, forget('undo-bottom'), 'arm-held'],
	['a caliper off with its pads on the ridge', stripped, forget('piston-back'), 'still-held'],
	['a disc off behind its caliper', stripped, hurry('disc-off', 'caliper-off'), 'still-held'],
	['a caliper on before its disc', stripped, delay('disc-on', 'caliper-on'), 'in-the-way'],
	['a pedal pumped with a caliper loose', stripped, hurry('pump-brakes', 'tighten'), 'piston-out'],
	['a car rolled with no brakes', stripped, forget('pump-brakes'), 'no-brakes'],
	['a trim off under its shelf', nested, forget('cover-off'), 'trim-in-way'],
	['a caliper left on a knuckle that swings', shaftOut, forget('caliper-off'), 'arm-held'],
	['an edge sealed before its hole', drilled, hurry('bracket-seal', 'bracket-drill'), 'made-blind'],
	['an old spring let off around its damper', kit, hurry('let-off', 'shaft-off'), 'unheld-spring'],
	['an old spring left in its tool', kit, forget('let-off'), 'unheld-spring'],
	['a perch set on half a unit', kit, hurry('perch', 'shaft-on'), 'not-stacked'],
	['a perch wound in the car', kit, delay('perch', 'damper-in'), 'in-the-way'],
	['a unit fitted to nuts with no bracket', drilled, forget('bracket-on'), 'made-blind'],
	['holes drilled behind the damper', drilled, hurry('bracket-place', 'damper-out'), 'in-the-way'],
	['a unit let go with its last nut', strut, bare, 'unit-dropped'],
	['an arm spread by one person', spread, alone, 'alone'],
	['the taper bare', arm, forget('crack-taper'), 'taper-bare'],
	['a taper cracked with a nut nobody ran', arm, forget('run-nut'), 'nut-seized'],
	['a strut out of a closed clamp', clamp, forget('spread'), 'still-held'],
	['a clamp tight on its spreader', clamp, forget('unspread'), 'clamp-bent'],
	['the arm lowered with its joint on', arm, hurry('lower', 'holder-off'), 'arm-held'],
	['the arm let go by no jack', arm, forget('support'), 'unheld-spring'],
	['a spring taken out under force', arm, hurry('spring-out', 'lower'), 'spring-under-force'],
	['an arm raised without its spring', arm, forget('spring-in'), 'spring-missing'],
	['the joint on with the arm down', arm, hurry('holder-on', 'raise'), 'arm-held'],
	['a spring out that was never drawn together', inside, forget('squeeze'), 'spring-under-force'],
	['the compressor left in', inside, forget('unsqueeze'), 'unheld-spring'],
	['a multi-link arm lowered with its bolt in', multi, forget('holder-off'), 'arm-held'],
	['the upper end behind its trim', behindTrim, forget('cover-off'), 'trim-in-way'],
	['the trim left in the boot', behindTrim, forget('cover-on'), 'left-open'],
	[
		'the trim on before the nuts have their torque',
		behindTrim,
		hurry('cover-on', 'tighten'),
		'trim-in-way'
	],
	[
		'heights after with the trim beside the car',
		behindTrim,
		hurry('heights-after', 'cover-on'),
		'left-open'
	],
	['rubber torn by an arm let down', multi, forget('slack-bushes'), 'rubber-torn'],
	['a knuckle let go with its arm', multi, forget('tie'), 'knuckle-falls'],
	['a hanging arm spread with its sensor on', spread, forget('hose-off'), 'hanging-hose'],
	['a hanging arm spread with its links on', spread, forget('links-off'), 'link-under-load'],
	['an arm levered down with its bolts tight', levered, forget('slack-bushes'), 'rubber-torn'],
	['a strut out past its knuckle', clamp, hurry('damper-out', 'free-knuckle'), 'still-held'],
	[
		'the unit on while the jack alone holds the spring',
		arm,
		hurry('damper-in', 'holder-on'),
		'unheld-spring'
	]
];

describe('the car as a machine', () => {
	it.each(mistakes)('sees %s', (_, scope, mistake, code) => {
		const { steps } = workOrder(scope);
		expect(replay(steps, scope)).toEqual([]);
		expect(replay(mistake(steps), scope).map((violation) => violation.code)).toContain(code);
	});

	it('sees two links of an axle off at once', () => {
		const { steps } = workOrder(links);
		const off = steps.filter(({ kind }) => kind === 'link-off');
		const on = steps.filter(({ kind }) => kind === 'link-on');
		const at = steps.indexOf(off[0]!);
		const rest = steps.filter((step) => step !== off[1] && step !== on[0]);
		const wrong = [...rest.slice(0, at + 1), off[1]!, on[0]!, ...rest.slice(at + 1)];
		expect(replay(wrong, links).map(({ code }) => code)).toContain('axle-rolls');
	});

	it('sees two arms of a corner out at once, and an arm out with its spring on', () => {
		const none = { damper: false, spring: false, bushes: false };
		const two = scopeOf('multi-link-rear', { ...none, also: ['arm:toe-link', 'arm:camber-link'] });
		const { steps } = workOrder(two);
		expect(replay(steps, two)).toEqual([]);
		const late = hurry('arm-off', 'arm-in')(steps.filter(({ id }) => id !== 'RL/arm-in:toe-link'));
		expect(replay(late, two).map(({ code }) => code)).toContain('wheel-loose');
		const arm = scopeOf('multi-link-rear', { ...none, also: ['bush:spring-arm'] });
		const order = workOrder(arm).steps;
		expect(order.map(({ kind }) => kind)).toContain('press-bush');
		expect(replay(order, arm)).toEqual([]);
		const early = hurry('arm-out', 'spring-out')(order);
		expect(replay(early, arm).length).toBeGreaterThan(0);
	});

	it('says at which step it happened, and what was left at the end', () => {
		const { steps } = workOrder(strut);
		const [violation] = replay(forget('chock')(steps), strut);
		expect(violation).toMatchObject({ stepId: 'car/lift', code: 'not-chocked' });
		const rear = workOrder(multi).steps;
		const left = replay(forget('set-rubber')(rear), multi).filter(({ stepId }) => stepId === 'end');
		expect(left.map(({ words }) => words.slice(0, 3))).toEqual(['RL:', 'RR:']);
	});

	it('reads every joint a step names at a corner of its own axle', () => {
		for (const scope of [
			strut,
			clamp,
			levered,
			air,
			arm,
			coilover,
			inside,
			links,
			multi,
			spread,
			behindTrim
		]) {
			for (const step of workOrder(scope).steps) {
				for (const { corner, key } of step.joints) {
					const { joints } = scope.layouts[axleOf(corner)];
					expect(joints.some((joint) => joint.key === key)).toBe(true);
				}
			}
		}
	});
});
