/** Joints eased, slackened, undone, started and tightened. */
import { jointId } from '../../../assembly/graph.ts';
import { axleOf, type Corner } from '../../../height/corners.ts';
import {
	airUnit,
	axleLinks,
	bellowsOf,
	damperOf,
	isTaper,
	jointOf,
	partOf,
	springArm,
	unitOf
} from '../../../layout/shape.ts';
import type { Act } from '../../step.ts';
import type { Car } from '../car.ts';
import { isFixed, type Need } from './asks.ts';

export function playJoint(car: Car, act: Extract<Act, { joint: string }>, need: Need): void {
	const { at, body, scope, worked, linksOn, layoutOf } = car;
	const { corner, joint: key } = act;
	const c = at(corner);
	const axle = car.axle(corner);
	const layout = layoutOf(corner);
	const joint = jointOf(layout, key);
	const id = jointId(corner, key);
	const parts = joint.between.map((part) => partOf(layout, part));
	const ofDamper = unitOf(layout, damperOf(layout).key);
	for (const cover of layout.assembly.covers) {
		const off = axle.open.has(cover.shared ? cover.key : `${corner}/${cover.key}`);
		if (cover.over.includes(key)) need(off, 'trim-in-way', `${key} behind ${cover.name}`);
	}
	if (['undo', 'slack', 'run', 'crack', 'tap'].includes(act.do)) {
		need(!joint.sets || c.scribed.has(key), 'mark-lost', `${key} moved with no mark on it`);
		c.onMark.delete(key);
		if (worked.includes(corner)) {
			need(!c.wheelOn, 'wheel-in-way', `${key} with the wheel on`);
			need(c.marked, 'not-marked', `${key} before marks and photo`);
			need(c.oiled || scope.rust === 'none', 'not-oiled', `${key} dry and rusty`);
		}
		const carries = !joint.pair && joint.between.some((part) => airUnit(layout).includes(part));
		const hangs = parts.every((part) => part?.kind !== 'line') || parts.some((part) => part?.air);
		need(!(c.pressure && carries && hangs), 'under-pressure', `${key} under air pressure`);
		axle.owed.add(id);
	}
	if (joint.between.some((part) => partOf(layout, part)?.calibrated) && act.do === 'undo')
		body.taught = false;
	switch (act.do) {
		case 'ease':
			need(
				c.wheelOn && body.up === 'ground',
				'eased-in-air',
				`${key} eased with nothing to hold it`
			);
			need(body.heightsRead, 'heights-lost', `${key} eased before the heights were read`);
			need(
				c.oiled || scope.rust === 'none' || scope.strategy.soak === 'wheel-off',
				'not-oiled',
				`${key} dry and rusty`
			);
			axle.owed.add(id);
			c.eased.add(key);
			return;
		case 'slack':
			axle.fixings.set(id, 'slack');
			return;
		case 'run':
			axle.fixings.set(id, 'slack');
			c.run.add(key);
			return;
		case 'crack':
			need(car.fixing(corner, key) === 'slack', 'taper-bare', 'taper cracked without its nut on');
			need(c.run.has(key), 'nut-seized', `${key} cracked with a nut nobody has run`);
			c.cracked.add(key);
			return;
		case 'tap':
			axle.fixings.set(id, 'slack');
			c.tapped.add(key);
			return;
		case 'scribe':
			need(!c.wheelOn && c.marked, 'not-marked', `${key} scribed before marks and photo`);
			c.scribed.add(key);
			return;
		case 'to-mark': {
			const away = [...axle.moved.keys()].some(
				(node) => node.startsWith(`${corner}:`) || !node.includes(':')
			);
			need(!away, 'off-mark', `${key} brought to its mark with parts away`);
			need(car.fixing(corner, key) !== 'off', 'off-mark', `${key} brought to its mark, and off`);
			c.onMark.add(key);
			return;
		}
		case 'spread':
			need(car.fixing(corner, key) === 'off', 'clamp-bent', 'a clamp spread against its bolt');
			c.spread.add(key);
			return;
		case 'unspread':
			need(
				!axle.out.has(car.node(corner, damperOf(layout).key)),
				'clamp-bent',
				'a clamp closed with its strut out'
			);
			c.spread.delete(key);
			return;
		case 'undo': {
			if (axleLinks(layout).some((link) => joint.between.includes(link.key))) {
				const sprung = (one: Corner) =>
					bellowsOf(layout) ? !axle.out.has(car.node(one, 'spring')) : car.presses(one);
				const body = layout.assembly.parts.find(({ kind }) => kind === 'axle')!;
				const held = car
					.sidesOf(axleOf(corner))
					.every((one) => sprung(one) && car.standsAlone(one, body.key));
				need(held, 'axle-rolls', 'a link comes off with the axle not held by its dampers');
			}
			const caliper = parts.some((part) => part?.kind === 'caliper');
			need(!caliper || c.pistonBack, 'still-held', `${key} off with its pads on the ridge`);
			const behind = parts.flatMap((part) => part?.behind ?? []);
			need(
				!behind.some((part) => isFixed(car, corner, part)),
				'still-held',
				`${key} off behind its caliper`
			);
			const turns = joint.kind !== 'hub-nut' || c.eased.has(key);
			need(turns, 'hub-in-air', `${key} broken loose with the wheel in the air`);
			const loose = !isTaper(joint) || c.cracked.has(key);
			need(loose, 'taper-bare', `nut of ${key} off before its taper is loose`);
			const slides = joint.leaves !== 'tapped' || scope.rust === 'none';
			const tapped = slides || c.tapped.has(key);
			need(tapped, 'thread-spoilt', `${key} hammered out on its bare thread`);
			axle.fixings.set(id, act.lastThreads ? 'slack' : 'off');
			return;
		}
		case 'off':
			need(car.fixing(corner, key) === 'slack', 'unit-dropped', `${key} off before it is held`);
			axle.fixings.set(id, 'off');
			return;
		case 'start': {
			need(car.fixing(corner, key) === 'off', 'tight-before-started', `${key} started, but on`);
			const own = joint.between.flatMap((key) => partOf(layout, key) ?? []);
			const hidden = layout.assembly.parts.filter(({ behind }) =>
				own.some(({ key }) => key === behind)
			);
			const blocked = hidden.some(
				({ key }) =>
					layout.joints.some(({ between }) => between.includes(key)) && !isFixed(car, corner, key)
			);
			need(!blocked, 'in-the-way', `${key} on before what is behind it`);
			const arm = springArm(layout);
			if (arm && joint.between.some((part) => ofDamper.includes(part)) && car.presses(corner)) {
				const others = [...axle.fixings].filter(
					([other, fixing]) => other !== id && fixing === 'off'
				);
				const bare = others.some(([other]) => {
					const [at, otherKey] = other.split('/') as [Corner, string];
					const { between, pair, kind } = jointOf(layout, otherKey);
					const structural = !pair && kind !== 'rigid' && between.includes(arm.key);
					return at === corner && structural && !between.some((part) => ofDamper.includes(part));
				});
				need(!bare, 'unheld-spring', 'damper on while the jack alone holds the spring');
			}
			// By hand: rubber is not clamped yet.
			const rubber = axle.graph.edges.some((edge) => edge.id === id && edge.turnsWhenSlack);
			axle.fixings.set(id, rubber ? 'slack' : 'tight');
			return;
		}
		case 'tighten': {
			const settles = car.settlesLater(corner, joint);
			if (joint.rule === 'ride-height') need(c.loaded, 'bush-at-droop', `${key} set hanging`);
			else {
				const open = [...axle.fixings].filter(
					([other, fixing]) =>
						other.startsWith(`${corner}/`) &&
						fixing === 'off' &&
						!jointOf(layout, other.split('/')[1]!).pair
				);
				need(open.length === 0 || joint.pair === true, 'tight-before-started', `${key} too early`);
				need(!settles || body.up === 'ground', 'mount-hanging', `${key} tight before the weight`);
				need(!c.squeezed, 'unheld-spring', `${key} tight with the spring still drawn together`);
			}
			if (joint.pair && joint.rule === 'any-time') {
				need(linksOn(corner) === 2, 'link-under-load', 'one link tight with the other off');
			}
			const onWheels = joint.rule !== 'wheels-on-ground' || body.up === 'ground';
			need(onWheels, 'hub-in-air', `${key} tight with nothing to hold the wheel`);
			const met = !joint.sets || !axle.owed.has(id) || c.onMark.has(key);
			need(met, 'off-mark', `${key} tight away from its mark`);
			need(!c.spread.has(key), 'clamp-bent', `${key} tight on a spreader`);
			need(car.fixing(corner, key) !== 'off', 'tight-before-started', `${key} tight, and off`);
			axle.fixings.set(id, 'tight');
			axle.owed.delete(id);
		}
	}
}
