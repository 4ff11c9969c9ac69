/** Parts away and back, out and in; what is made at the car for them. */
import { axleOf, type Corner } from '../../../height/corners.ts';
import { damperOf, onOneJack, partOf, springArm, unitOf } from '../../../layout/shape.ts';
import type { Layout, LayoutWay } from '../../../layout/types.ts';
import type { Act } from '../../step.ts';
import type { Car } from '../car.ts';
import { isSpread, type Need } from './asks.ts';
import { playBench } from './bench.ts';
import { playJoint } from './joint.ts';

export function playPart(car: Car, act: Extract<Act, { corner: Corner }>, need: Need): void {
	const { body } = car;
	const { corner } = act;
	const c = car.at(corner);
	const axle = car.axle(corner);
	const layout = car.layoutOf(corner);
	switch (act.do) {
		case 'move':
			for (const part of Object.keys(act.parts)) {
				const stood = body.under === 'subframe' && onOneJack(partOf(layout, part)!);
				need(!stood, 'unsupported-car', `${part} lowered with the stands under it`);
			}
			for (const [part, mm] of Object.entries(act.parts))
				axle.moved.set(car.node(corner, part), mm);
			c.way = wayOf(layout, act.parts);
			need(c.way?.people !== 2 || body.hands === 2, 'alone', 'what takes two is done by one');
			return;
		case 'back': {
			const arm = springArm(layout);
			const raised = arm !== undefined && act.parts.includes(arm.key);
			const sides = arm?.shared ? car.sidesOf(axleOf(corner)) : [corner];
			const missing = sides.some((one) => axle.out.has(car.node(one, 'spring')));
			need(!raised || !missing, 'spring-missing', 'raised without the spring');
			for (const part of act.parts) axle.moved.delete(car.node(corner, part));
			if (act.parts.some((part) => (c.way?.moves?.[part] ?? 0) > 0)) c.way = undefined;
			return;
		}
		case 'squeeze':
			need(!c.wheelOn, 'wheel-in-way', 'compressor set through the wheel');
			c.squeezed = true;
			return;
		case 'unsqueeze':
			need(
				!axle.out.has(car.node(corner, 'spring')),
				'spring-missing',
				'compressor off, no spring'
			);
			c.squeezed = false;
			return;
		case 'out':
			if (act.part === 'spring' && springArm(layout)) {
				const arm = springArm(layout)!;
				const inside = partOf(layout, 'spring')!.around;
				need(
					inside === undefined || axle.out.has(car.node(corner, inside)),
					'still-held',
					'spring out with its damper still inside it'
				);
				const { looseMm } = partOf(layout, 'spring')!;
				const down = axle.moved.get(car.node(corner, arm.key)) ?? 0;
				need(c.squeezed || down >= looseMm!, 'spring-under-force', 'spring taken out under force');
				axle.out.add(car.node(corner, 'spring'));
				return;
			}
			if (act.part === springArm(layout)?.key) {
				need(!car.presses(corner), 'spring-under-force', 'an arm out with its spring on it');
			}
			need(car.isWayOpen(corner, act.part), 'still-held', `${act.part} out with its way closed`);
			need(isSpread(car, corner, act.part), 'still-held', `${act.part} out of a closed clamp`);
			need(
				!partOf(layout, act.part)?.plug || !c.plugged,
				'wire-torn',
				`${act.part} out with its plug on`
			);
			for (const part of unitOf(layout, act.part)) axle.out.add(car.node(corner, part));
			return;
		case 'in':
			need(axle.out.has(car.node(corner, act.part)), 'spring-missing', `${act.part} put in twice`);
			if (act.part === 'spring' && springArm(layout)) {
				const down = axle.moved.get(car.node(corner, springArm(layout)!.key)) ?? 0;
				need(c.compared, 'not-compared', 'spring fitted without comparing');
				need(c.squeezed || down > 0, 'spring-under-force', 'spring put in under force');
				axle.out.delete(car.node(corner, 'spring'));
				return;
			}
			if (act.part !== damperOf(layout).key) {
				axle.out.delete(car.node(corner, act.part));
				return;
			}
			need(c.compared, 'not-compared', 'damper fitted without comparing');
			need(!c.compressed, 'unheld-spring', 'unit fitted with the compressor on');
			need(
				!c.made.includes(bracket[0]!) || c.made.includes(bracket.at(-1)!),
				'made-blind',
				'unit fitted to half a bracket'
			);
			need(
				partOf(layout, 'spring')!.around !== act.part || !axle.out.has(car.node(corner, 'spring')),
				'spring-missing',
				'damper in before the coil around it'
			);
			need(c.shaftNutOn && c.stacked, 'not-stacked', 'unit fitted unfinished');
			need(car.isWayOpen(corner, act.part), 'in-the-way', `${act.part} in with its way closed`);
			for (const part of unitOf(layout, act.part)) axle.out.delete(car.node(corner, part));
			return;
		case 'compare': {
			const damper = damperOf(layout).key;
			const out = [damper, 'spring'].some((part) => axle.out.has(car.node(corner, part)));
			need(out, 'not-compared', 'compared with the old part still in');
			c.compared = true;
			return;
		}
		case 'make': {
			const out = axle.out.has(car.node(corner, damperOf(layout).key));
			need(out, 'in-the-way', `${act.what} behind the damper`);
			const before = bracket[bracket.indexOf(act.what) - 1];
			const whole = c.shaftNutOn && c.stacked && !c.compressed;
			need(act.what !== 'perch' || whole, 'not-stacked', 'a perch set on half a unit');
			need(before === undefined || c.made.includes(before), 'made-blind', `${act.what} too early`);
			c.made.push(act.what);
			return;
		}
		case 'unplug':
			need(!body.live, 'wire-torn', 'a plug off with the system live');
			c.plugged = false;
			return;
		case 'plug':
			need(!axle.out.has(car.node(corner, act.part)), 'wire-torn', 'plugged with the damper out');
			c.plugged = true;
			return;
		case 'press':
			need(
				axle.out.has(car.node(corner, act.part)) || axle.moved.has(car.node(corner, act.part)),
				'still-held',
				`${act.part} pressed in the car`
			);
			return;
		default:
			return 'joint' in act ? playJoint(car, act, need) : playBench(car, act, need);
	}
}

/** The way of this layout that moves just these parts so far. */
const wayOf = (layout: Layout, parts: Readonly<Record<string, number>>): LayoutWay | undefined =>
	Object.values(layout.assembly.ways)
		.flat()
		.find(({ moves = {} }) => {
			const keys = Object.keys(moves);
			return (
				keys.length === Object.keys(parts).length && keys.every((key) => moves[key] === parts[key])
			);
		});

/** A bracket as metal wants it: its place, the holes, their edges sealed, nuts in them, the bracket on those. */
const bracket: readonly string[] = [
	'bracket-place',
	'bracket-drill',
	'bracket-seal',
	'rivet-nut',
	'bracket-on'
];
