/** What each act does to a car, and what had to hold before it. */
import { jointId, readJointId } from '../../assembly/graph.ts';
import { axleOf, type Corner } from '../../height/corners.ts';
import {
	axleLinks,
	damperOf,
	insidePlaces,
	isTaper,
	onOneJack,
	jointOf,
	partOf,
	springArm,
	airUnit,
	bellowsOf,
	springSeat,
	unitOf
} from '../../layout/shape.ts';
import type { Layout, LayoutWay } from '../../layout/types.ts';
import type { Act } from '../step.ts';
import type { Car } from './car.ts';

/** Notes what should have held and did not. */
export type Need = (holds: boolean, code: string, words: string) => void;

export function play(car: Car, act: Act, need: Need): void {
	const { body, at, axles, worked } = car;
	switch (act.do) {
		case 'read-heights': {
			const evening = car.scope.rust !== 'none' && car.scope.strategy.soak !== 'wheel-off';
			const dry = evening && worked.some((corner) => !at(corner).oiled);
			need(!dry, 'not-oiled', 'the oil had no time: it was not put on the evening before');
			need(
				!body.wheelsLoose && body.up === 'ground',
				'heights-lost',
				'the car was touched already'
			);
			body.heightsRead = true;
			return;
		}
		case 'crack-wheels':
			need(body.heightsRead, 'heights-lost', 'the car is touched before its heights were read');
			need(body.up === 'ground', 'wheels-rocked', 'wheel fasteners break loose off the ground');
			body.wheelsLoose = true;
			return;
		case 'ignition-off':
			body.live = false;
			return;
		case 'compressor-off':
			body.compressor = false;
			return;
		case 'system-on':
			for (const corner of worked) {
				need(at(corner).plugged, 'wire-torn', `${corner} wakes with its plug off`);
				const open = unitOwed(car, corner);
				need(open.length === 0, 'under-pressure', `${corner} wakes with ${open.join(', ')} loose`);
			}
			body.live = true;
			body.compressor = true;
			return;
		case 'calibrate':
			need(body.up === 'ground' && body.wheelsTorqued, 'not-taught', 'taught before it stands');
			body.taught = true;
			return;
		case 'look-again':
			need(body.readAfter, 'heights-lost', 'looked at again with nothing to hold it against');
			return;
		case 'chock':
			need(body.heightsRead, 'heights-lost', 'the car is touched before its heights were read');
			need(body.up === 'ground', 'not-chocked', 'chocked too late');
			body.chocked = true;
			return;
		case 'lift':
			need(body.heightsRead, 'heights-lost', 'lifted before the heights were read');
			need(body.chocked, 'not-chocked', 'lifted without chocks');
			need(body.wheelsLoose, 'wheels-rocked', 'lifted before the wheels were loose');
			body.up = 'jack';
			return;
		case 'stands':
			need(body.up === 'jack', 'unsupported-car', 'stands without a lift');
			body.under = act.under;
			body.up = 'stands';
			return;
		case 'ground':
			for (const corner of worked) {
				need(at(corner).wheelOn, 'wheel-missing', `${corner} comes down without its wheel`);
				const empty = springSeat(car.layoutOf(corner)) === 'air' && !at(corner).pressure;
				need(!empty, 'no-air', `${corner} comes down on an empty air spring`);
			}
			for (const [, { held }] of axles) {
				need(held.size === 0, 'jack-left', `comes down on ${[...held.keys()].join(', ')} held`);
			}
			body.up = 'ground';
			return;
		case 'torque-wheels':
			need(body.up === 'ground', 'wheels-in-air', 'wheels torqued off the ground');
			body.wheelsTorqued = true;
			return;
		case 'read-heights-after':
			need(body.up === 'ground', 'heights-lost', 'heights after read off the ground');
			need(body.wheelsTorqued, 'heights-lost', 'heights after read before the end');
			need(body.taught, 'not-taught', 'heights after read of a car that was not taught its height');
			body.readAfter = true;
			for (const [axle, { owed, open }] of axles) {
				need(owed.size === 0, 'left-open', `${axle} still has open joints`);
				need(open.size === 0, 'left-open', `${axle} still has covers off`);
			}
			return;
		default:
			return playAt(car, act, need);
	}
}

const onBench: ReadonlySet<Act['do']> = new Set([
	'compare',
	'compress',
	'shaft-off',
	'restack',
	'shaft-on',
	'release'
]);

function playAt(car: Car, act: Extract<Act, { corner: Corner }>, need: Need): void {
	const { body, scope, layoutOf, linksOn, rigidOwed } = car;
	const { corner } = act;
	const c = car.at(corner);
	const axle = car.axle(corner);
	const layout = layoutOf(corner);
	// Rubber may be set on the wheels, and covers inside opened; everything else at the car wants it on stands.
	const onWheels = ['load', 'tighten'].includes(act.do) && scope.strategy.load === 'on-wheels';
	const settles =
		act.do === 'tighten' &&
		(car.settlesLater(corner, jointOf(layoutOf(corner), act.joint)) ||
			jointOf(layoutOf(corner), act.joint).rule === 'wheels-on-ground');
	const evening = act.do === 'soak' && scope.strategy.soak !== 'wheel-off';
	const anywhere = ['cover-off', 'cover-on', 'ease'].includes(act.do) || onBench.has(act.do);
	if (!anywhere && !evening) {
		need(
			body.up === 'stands' || ((onWheels || settles) && body.up === 'ground'),
			'unsupported-car',
			`${act.do} with the car not on its stands`
		);
	}
	switch (act.do) {
		case 'soak':
			need(evening === c.wheelOn, 'wheel-in-way', 'oil with the wheel in the way');
			need(
				[...axle.fixings].every(
					([id, fixing]) => readJointId(id).corner !== corner || fixing === 'tight'
				),
				'not-oiled',
				'oil after the spanner'
			);
			c.oiled = true;
			return;
		case 'mark':
			need(!c.wheelOn, 'wheel-in-way', 'marked through the wheel');
			c.marked = true;
			return;
		case 'cover-off':
		case 'cover-on': {
			const cover = layout.assembly.covers.find(({ key }) => key === act.cover)!;
			const inside = insidePlaces.has(cover.where);
			need(
				body.up === 'stands' || inside,
				'unsupported-car',
				`${act.do} under a car not on stands`
			);
			const id = cover.shared ? act.cover : `${corner}/${act.cover}`;
			if (act.do === 'cover-off') axle.open.add(id);
			else {
				need(axle.open.has(id), 'trim-in-way', 'a cover goes on that is on');
				axle.open.delete(id);
			}
			return;
		}
		case 'vent':
			need(!body.live, 'valves-live', 'air let out with the system live');
			need(!body.compressor, 'valves-live', 'air let out with the compressor plugged in');
			c.pressure = false;
			body.taught = false;
			return;
		case 'fill': {
			const open = unitOwed(car, corner);
			need(body.live, 'no-air', 'filled by a system that is off');
			need(open.length === 0, 'under-pressure', 'filled with its joints not at their torque');
			c.pressure = true;
			return;
		}
		case 'wheel-off':
			need(body.wheelsLoose, 'wheels-rocked', 'wheel fasteners never broken loose');
			c.wheelOn = false;
			return;
		case 'wheel-on':
			need(car.linesOff(corner) === 0, 'hanging-hose', 'wheel on over a loose hose');
			need(linksOn(corner) !== 1, 'link-under-load', 'wheel on with one link alone');
			need(rigidOwed(corner).length === 0, 'loaded-before-rigid', 'rigid joints not at torque');
			need(!heldAt(car, corner), 'jack-left', 'wheel on with the small jack in its way');
			need(notStarted(car, corner).length === 0, 'left-open', 'wheel on over a nut that is off');
			c.wheelOn = true;
			return;
		case 'hold':
			need(!c.wheelOn, 'wheel-in-way', `${act.part} held with the wheel on`);
			axle.held.set(jointId(corner, act.part), act.by);
			return;
		case 'let-go':
			need(
				rigidOwed(corner).length === 0,
				'jack-away-early',
				`${act.part} let go before the torque`
			);
			axle.held.delete(jointId(corner, act.part));
			return;
		case 'move':
			for (const part of Object.keys(act.parts)) {
				const stood = body.under === 'subframe' && onOneJack(partOf(layout, part)!);
				need(!stood, 'unsupported-car', `${part} lowered with the stands under it`);
			}
			for (const [part, mm] of Object.entries(act.parts))
				axle.moved.set(car.node(corner, part), mm);
			c.way = wayOf(layout, act.parts);
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
				c.made.length === 0 || c.made.includes(bracket.at(-1)!),
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
		case 'load': {
			const stands = scope.strategy.load === 'on-wheels' ? 'ground' : 'stands';
			need(body.up === stands, 'unsupported-car', `loaded with the car not on its ${stands}`);
			need(rigidOwed(corner).length === 0, 'loaded-before-rigid', 'rigid joints not at torque');
			need(linksOn(corner) !== 1, 'link-under-load', 'loaded with one link alone');
			need(!linksOwed(car, corner), 'loaded-before-rigid', 'loaded with a link not at its torque');
			need(car.linesOff(corner) === 0, 'hanging-hose', 'loaded with the hose off');
			need(!heldAt(car, corner), 'jack-left', 'brought to its height on the small jack');
			c.loaded = true;
			return;
		}
		case 'compress':
		case 'shaft-off':
		case 'restack':
		case 'shaft-on':
		case 'release':
			return playBench(car, act, need);
		case 'make': {
			const out = axle.out.has(car.node(corner, damperOf(layout).key));
			need(out, 'in-the-way', `${act.what} behind the damper`);
			const before = bracket[bracket.indexOf(act.what) - 1];
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
				axle.out.has(car.node(corner, act.part)),
				'still-held',
				`${act.part} pressed in the car`
			);
			return;
		default:
			return playJoint(car, act, need);
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

/** Joints of what holds air at a corner that have no torque. */
function unitOwed(car: Car, corner: Corner): string[] {
	const layout = car.layoutOf(corner);
	const unit = airUnit(layout);
	return [...car.axle(corner).owed].filter((id) => {
		const { corner: at, key } = readJointId(id);
		const { between, rule, pair } = jointOf(layout, key);
		const carries = rule === 'any-time' && !pair && between.some((part) => unit.includes(part));
		return at === corner && carries;
	});
}

/** Nuts of the hub at a corner that are off. */
const notStarted = (car: Car, corner: Corner): string[] =>
	car
		.layoutOf(corner)
		.joints.flatMap(({ key, kind }) =>
			kind === 'hub-nut' && car.fixing(corner, key) === 'off' ? [key] : []
		);

/** Every clamp that a part sits in is held open. */
const isSpread = (car: Car, corner: Corner, part: string): boolean =>
	car
		.layoutOf(corner)
		.joints.every(
			({ key, kind, between }) =>
				kind !== 'clamp' || !between.includes(part) || car.at(corner).spread.has(key)
		);

/** A bracket as metal wants it: its place, the holes, their edges sealed, nuts in them, the bracket on those. */
const bracket: readonly string[] = [
	'bracket-place',
	'bracket-drill',
	'bracket-seal',
	'rivet-nut',
	'bracket-on'
];

const heldAt = (car: Car, corner: Corner): boolean => car.heldAt(corner).size > 0;

const linksOwed = (car: Car, corner: Corner): boolean =>
	car
		.layoutOf(corner)
		.joints.some(
			({ key, pair, rule }) =>
				pair && rule === 'any-time' && car.axle(corner).owed.has(jointId(corner, key))
		);

function playBench(car: Car, act: Extract<Act, { corner: Corner }>, need: Need): void {
	const { corner } = act;
	const c = car.at(corner);
	switch (act.do) {
		case 'compress': {
			const damper = car.node(corner, damperOf(car.layoutOf(corner)).key);
			need(car.axle(corner).out.has(damper), 'still-held', 'bench work with the unit in the car');
			need(c.compared, 'not-compared', 'taken apart before comparing');
			c.compressed = true;
			return;
		}
		case 'shaft-off':
			need(c.compared, 'not-compared', 'taken apart before comparing');
			need(
				c.compressed || springSeat(car.layoutOf(corner)) !== 'on-damper',
				'spring-not-free',
				'shaft nut off under spring force'
			);
			c.shaftNutOn = false;
			c.stacked = false;
			return;
		case 'restack':
			need(!c.shaftNutOn, 'not-stacked', 'stacked with the old nut on');
			c.stacked = true;
			return;
		case 'shaft-on':
			need(c.stacked, 'not-stacked', 'nut on before the stack');
			c.shaftNutOn = true;
			return;
		case 'release':
			need(c.shaftNutOn, 'unheld-spring', 'compressor let off with no shaft nut');
			c.compressed = false;
	}
}

function playJoint(car: Car, act: Extract<Act, { joint: string }>, need: Need): void {
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
	if (['undo', 'slack', 'run', 'crack'].includes(act.do)) {
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
			const turns = joint.kind !== 'hub-nut' || c.eased.has(key);
			need(turns, 'hub-in-air', `${key} broken loose with the wheel in the air`);
			const loose = !isTaper(joint) || c.cracked.has(key);
			need(loose, 'taper-bare', `nut of ${key} off before its taper is loose`);
			axle.fixings.set(id, 'off');
			return;
		}
		case 'start': {
			need(car.fixing(corner, key) === 'off', 'tight-before-started', `${key} started, but on`);
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
			need(!c.spread.has(key), 'clamp-bent', `${key} tight on a spreader`);
			need(car.fixing(corner, key) !== 'off', 'tight-before-started', `${key} tight, and off`);
			axle.fixings.set(id, 'tight');
			axle.owed.delete(id);
		}
	}
}
