/** What each act does to a car, and what had to hold before it. */
import { axleOf, corners as allCorners, type Corner } from '../../height/corners.ts';
import type { Act } from '../step.ts';
import type { Car, CornerState } from './car.ts';

/** Notes what should have held and did not. */
export type Need = (holds: boolean, code: string, words: string) => void;

export function play(car: Car, act: Act, need: Need): void {
	const { body, at, worked } = car;
	switch (act.do) {
		case 'read-heights':
			need(
				!body.wheelsLoose && body.up === 'ground',
				'heights-lost',
				'the car was touched already'
			);
			body.heightsRead = true;
			return;
		case 'crack-wheels':
			need(body.up === 'ground', 'wheels-rocked', 'wheel fasteners break loose off the ground');
			body.wheelsLoose = true;
			return;
		case 'ignition-off':
			body.live = false;
			return;
		case 'chock':
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
			body.up = 'stands';
			return;
		case 'ground':
			for (const corner of worked) {
				need(at(corner).wheelOn, 'wheel-missing', `${corner} comes down without its wheel`);
				need(!at(corner).jack, 'jack-left', `${corner} comes down on the small jack`);
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
			for (const corner of allCorners) {
				need(at(corner).owed.size === 0, 'left-open', `${corner} still has open joints`);
			}
			return;
		default:
			return playAt(car, act, need);
	}
}

function playAt(car: Car, act: Extract<Act, { corner: Corner }>, need: Need): void {
	const { body, scope, layoutOf, jointOut, linksOn, damperHolds, together, rigidOwed } = car;
	const { corner } = act;
	const c = car.at(corner);
	const { build } = layoutOf(corner);
	const atCar = !['soak', 'compress', 'shaft-off', 'restack', 'shaft-on', 'release'].includes(
		act.do
	);
	// Rubber may be set on the wheels; everything else at the car wants it on stands.
	const onWheels = ['load', 'tighten'].includes(act.do) && scope.strategy.load === 'on-wheels';
	if (atCar && act.do !== 'compare' && !(onWheels && body.up === 'ground')) {
		need(body.up === 'stands', 'unsupported-car', `${act.do} with the car not on its stands`);
	}
	switch (act.do) {
		case 'soak':
			need(c.wheelOn && !jointsTouched(c), 'not-oiled', 'oil after the spanner');
			c.oiled = true;
			return;
		case 'mark':
			need(!c.wheelOn, 'wheel-in-way', 'marked through the wheel');
			c.marked = true;
			return;
		case 'trim-off':
			c.trimOn = false;
			return;
		case 'vent':
			need(!body.live, 'valves-live', 'air let out with the system live');
			c.pressure = false;
			return;
		case 'wheel-off':
			need(body.wheelsLoose, 'wheels-rocked', 'wheel fasteners never broken loose');
			c.wheelOn = false;
			return;
		case 'wheel-on':
			need(c.hoseOn, 'hanging-hose', 'wheel on over a loose hose');
			need(linksOn(corner) !== 1, 'link-under-load', 'wheel on with one link alone');
			need(rigidOwed(corner).length === 0, 'loaded-before-rigid', 'rigid joints not at torque');
			c.wheelOn = true;
			return;
		case 'hose-off':
			c.hoseOn = false;
			return;
		case 'hose-on':
			need(car.placed(corner), 'hose-twisted', 'hose on before the knuckle is where it stays');
			c.hoseOn = true;
			return;
		case 'support':
			need(!c.wheelOn, 'wheel-in-way', 'jack under the arm with the wheel on');
			c.jack = true;
			return;
		case 'unsupport':
			need(rigidOwed(corner).length === 0, 'jack-away-early', 'jack away before the torque');
			c.jack = false;
			return;
		case 'tie':
			need(!c.wheelOn, 'wheel-in-way', 'tied with the wheel on');
			c.tied = true;
			return;
		case 'untie':
			c.tied = false;
			return;
		case 'lower':
			armMoves(car, corner, need);
			need(c.jack, 'unheld-spring', 'lowered without a jack');
			for (const one of together(corner)) {
				need(!damperHolds(one), 'arm-held', 'lowered with the damper still on');
			}
			need(
				!build.heldBy || jointOut(corner, build.heldBy.joint),
				'arm-held',
				'lowered with its joint on'
			);
			c.lowered = true;
			return;
		case 'raise':
			need(linksOn(corner) === 0, 'link-under-load', 'raised with a drop link on');
			need(c.springIn, 'spring-missing', 'raised without the spring');
			c.lowered = false;
			return;
		case 'squeeze':
			need(c.jack, 'arm-drops', 'spring drawn together with nothing under the arm');
			armMoves(car, corner, need);
			c.squeezed = true;
			return;
		case 'unsqueeze':
			need(c.springIn, 'spring-missing', 'compressor off with no spring');
			c.squeezed = false;
			return;
		case 'spring-out':
			need(c.lowered || c.squeezed, 'spring-under-force', 'spring taken out under force');
			c.springIn = false;
			return;
		case 'spring-in':
			need(c.compared, 'not-compared', 'spring fitted without comparing');
			need(!c.springIn, 'spring-missing', 'spring put in over the old one');
			c.springIn = true;
			return;
		case 'damper-out':
			for (const key of [...build.bottom, ...build.top, ...(build.alsoUndone ?? [])]) {
				need(jointOut(corner, key), 'still-held', `damper out with ${key} on`);
			}
			need(
				!build.airLine || jointOut(corner, build.airLine),
				'air-line-torn',
				'strut out with its air line on'
			);
			c.damperIn = false;
			return;
		case 'damper-in':
			need(c.compared, 'not-compared', 'damper fitted without comparing');
			need(!c.compressed, 'unheld-spring', 'unit fitted with the compressor on');
			need(c.shaftNutOn && c.stacked, 'not-stacked', 'unit fitted unfinished');
			need(!c.lowered, 'arm-held', 'damper fitted with the arm down');
			c.damperIn = true;
			return;
		case 'compare': {
			const out = !c.damperIn || !c.springIn || jointOut(corner, build.bottom[0]!);
			need(out, 'not-compared', 'compared with the old part still in');
			c.compared = true;
			return;
		}
		case 'compress':
			need(!c.damperIn, 'still-held', 'bench work with the unit in the car');
			need(c.compared, 'not-compared', 'taken apart before comparing');
			c.compressed = true;
			return;
		case 'shaft-off':
			need(c.compressed, 'spring-not-free', 'shaft nut off under spring force');
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
			return;
		case 'load':
			need(rigidOwed(corner).length === 0, 'loaded-before-rigid', 'rigid joints not at torque');
			need(linksOn(corner) !== 1, 'link-under-load', 'loaded with one link alone');
			need(c.hoseOn, 'hanging-hose', 'loaded with the hose off');
			c.loaded = true;
			return;
		default:
			return playJoint(car, act, need);
	}
}

function playJoint(car: Car, act: Extract<Act, { joint: string }>, need: Need): void {
	const { at, scope, worked, linksOn } = car;
	const { corner, joint: key } = act;
	const c = at(corner);
	const layout = car.layoutOf(corner);
	const { build } = layout;
	const joint = layout.joints.find((one) => one.key === key)!;
	const ends = [...build.bottom, ...build.top, ...(build.alsoUndone ?? [])];
	if (act.do === 'undo' || act.do === 'slack' || act.do === 'crack') {
		if (worked.includes(corner)) {
			need(!c.wheelOn, 'wheel-in-way', `${key} with the wheel on`);
			need(c.marked, 'not-marked', `${key} before marks and photo`);
			need(c.oiled || scope.rust === 'none', 'not-oiled', `${key} dry and rusty`);
		}
		need(!(c.pressure && ends.includes(key)), 'under-pressure', `${key} under air pressure`);
		need(!(c.pressure && key === build.airLine), 'under-pressure', 'air line under pressure');
		c.owed.add(key);
	}
	switch (act.do) {
		case 'slack':
			if (joint.kind === 'bonded-bush' || key === build.heldBy?.joint) armMoves(car, corner, need);
			c.joints.set(key, 'slack');
			return;
		case 'crack':
			need(c.joints.get(key) === 'slack', 'taper-bare', 'taper cracked without its nut on threads');
			need(c.jack, 'unheld-spring', 'taper cracked with nothing under the arm');
			c.cracked = true;
			return;
		case 'undo': {
			if (build.top.includes(key)) need(!c.trimOn, 'trim-in-way', `${key} behind its trim`);
			if (build.bottom.includes(key) || build.alsoUndone?.includes(key))
				armMoves(car, corner, need);
			if (build.links?.includes(key)) {
				armMoves(car, corner, need);
				const held = car
					.sidesOf(axleOf(corner))
					.every((one) => car.damperHolds(one) && at(one).springIn);
				need(held, 'axle-rolls', 'a link comes off with the axle not held by its dampers');
			}
			if (key === build.heldBy?.joint) {
				armMoves(car, corner, need);
				need(!build.heldBy.taper || c.cracked, 'taper-bare', 'nut off before the taper is loose');
			}
			c.joints.set(key, 'out');
			return;
		}
		case 'start': {
			if (build.bottom.includes(key)) {
				need(!c.lowered, 'arm-held', 'lower end started with the arm down');
				const held = build.heldBy && c.joints.get(build.heldBy.joint) === 'out';
				need(!held, 'unheld-spring', 'damper on while the jack alone holds the spring');
			}
			if (build.alsoUndone?.includes(key)) {
				need(c.damperIn, 'still-held', `${key} back before the damper is in`);
			}
			if (key === build.airLine) need(c.damperIn, 'air-line-torn', 'air line on without a strut');
			if (key === build.heldBy?.joint) need(!c.lowered, 'arm-held', 'joint on with the arm down');
			c.joints.set(key, 'started');
			return;
		}
		case 'tighten': {
			if (joint.rule === 'ride-height') need(c.loaded, 'bush-at-droop', `${key} set hanging`);
			else {
				const open = [...c.joints].filter(([, one]) => one === 'out');
				const loose = open.filter(([one]) => !one.startsWith('drop-link'));
				need(loose.length === 0, 'tight-before-started', `${key} tight, others not started`);
				need(!c.squeezed, 'unheld-spring', `${key} tight with the spring still drawn together`);
			}
			if (key.startsWith('drop-link')) {
				need(linksOn(corner) === 2, 'link-under-load', 'one link tight with the other off');
			}
			c.joints.set(key, 'tight');
			c.owed.delete(key);
		}
	}
}

function armMoves({ at, linksOn }: Car, corner: Corner, need: Need): void {
	need(!at(corner).hoseOn, 'hanging-hose', 'the knuckle moves with the hose on its bracket');
	need(linksOn(corner) === 0, 'link-under-load', 'an arm moves with a drop link on');
}

const jointsTouched = (c: CornerState) => c.owed.size > 0;
