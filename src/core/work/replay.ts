/**
 * A car as a small machine of support and stored energy. An order of work is played through it act by
 * act; what would have hurt somebody or spoiled the work is said. It knows the car, not the rules that
 * made the order.
 */
import { axleOf, corners as allCorners, type Axle, type Corner } from '../height/corners.ts';
import type { Layout } from '../layout/types.ts';
import { axlePlans, type WorkScope } from './scope.ts';
import type { Act, WorkStep } from './step.ts';

export interface Violation {
	stepId: string;
	code: string;
	words: string;
}

/** tight: as it was or at its torque; slack: loose, but held by its threads. */
type JointState = 'tight' | 'slack' | 'out' | 'started';

interface CornerState {
	joints: Map<string, JointState>;
	/** Loosened in this job and not at its torque since. */
	owed: Set<string>;
	wheelOn: boolean;
	hoseOn: boolean;
	oiled: boolean;
	marked: boolean;
	trimOn: boolean;
	jack: boolean;
	tied: boolean;
	/** The arm is down far enough for its spring to be loose. */
	lowered: boolean;
	squeezed: boolean;
	springIn: boolean;
	damperIn: boolean;
	compared: boolean;
	compressed: boolean;
	shaftNutOn: boolean;
	stacked: boolean;
	pressure: boolean;
	loaded: boolean;
	cracked: boolean;
}

export function replay(steps: readonly WorkStep[], scope: WorkScope): Violation[] {
	const violations: Violation[] = [];
	const plans = axlePlans(scope);
	const worked = plans.flatMap(({ corners }) => corners);
	const layoutOf = (corner: Corner): Layout => scope.layouts[axleOf(corner)];
	const state = new Map(allCorners.map((corner) => [corner, freshCorner(layoutOf(corner))]));
	const at = (corner: Corner) => state.get(corner)!;
	const car = {
		up: 'ground' as 'ground' | 'jack' | 'stands',
		heightsRead: false,
		wheelsLoose: false,
		wheelsTorqued: false,
		chocked: false,
		live: true
	};
	let stepId = '';
	const bad = (code: string, words: string) => violations.push({ stepId, code, words });
	const need = (holds: boolean, code: string, words: string) => {
		if (!holds) bad(code, words);
	};

	const sidesOf = (axle: Axle) => allCorners.filter((corner) => axleOf(corner) === axle);
	const jointOut = (corner: Corner, key: string) => at(corner).joints.get(key) === 'out';
	/** Both ends of the damper are on, so the arm hangs on it. */
	const damperHolds = (corner: Corner) => {
		const { build } = layoutOf(corner);
		return [build.bottom, build.top].every((end) => end.some((key) => !jointOut(corner, key)));
	};
	const linkOn = (corner: Corner) => {
		const link = layoutOf(corner).joints.find(({ key }) => key.startsWith('drop-link'));
		return link !== undefined && !jointOut(corner, link.key);
	};
	const linksOn = (corner: Corner) => sidesOf(axleOf(corner)).filter(linkOn).length;
	/** Corners whose wheel moves when this one's does. */
	const together = (corner: Corner) =>
		layoutOf(corner).build.oneBody ? sidesOf(axleOf(corner)) : [corner];

	function armMoves(corner: Corner) {
		need(!at(corner).hoseOn, 'hanging-hose', 'the knuckle moves with the hose on its bracket');
		need(linksOn(corner) === 0, 'link-under-load', 'an arm moves with a drop link on');
	}

	/** What must hold after every act. */
	function checkHolds() {
		for (const corner of worked) {
			const c = at(corner);
			const { build } = layoutOf(corner);
			const jack = together(corner).some((one) => at(one).jack);
			const damper = together(corner).some(damperHolds);
			if (build.spring === 'on-arm' && c.springIn && !c.lowered && !c.squeezed) {
				const holds = build.heldBy ? !jointOut(corner, build.heldBy.joint) : damper;
				if (!jack && !holds) bad('unheld-spring', 'nothing holds the spring on the arm');
			} else if (!jack && !damper && !c.lowered && c.wheelOn === false) {
				bad('arm-drops', 'nothing holds the arm');
			}
			if (build.damper === 'strut' && !build.oneBody && !c.tied && !damperHolds(corner)) {
				bad('knuckle-falls', 'the knuckle is held by nothing at its top');
			}
		}
		for (const axle of ['front', 'rear'] as const) {
			const { build } = scope.layouts[axle];
			const out = sidesOf(axle).flatMap((corner) =>
				(build.links ?? []).filter((link) => jointOut(corner, link))
			);
			if (out.length > 1) bad('axle-rolls', `${out.length} links of the axle are off at once`);
		}
		const moved = worked.some((corner) => at(corner).jack);
		if (moved && car.up !== 'stands') bad('unsupported-car', 'the car is not on its stands');
	}

	function play(act: Act) {
		switch (act.do) {
			case 'read-heights':
				need(
					!car.wheelsLoose && car.up === 'ground',
					'heights-lost',
					'the car was touched already'
				);
				car.heightsRead = true;
				return;
			case 'crack-wheels':
				need(car.up === 'ground', 'wheels-rocked', 'wheel fasteners break loose off the ground');
				car.wheelsLoose = true;
				return;
			case 'ignition-off':
				car.live = false;
				return;
			case 'chock':
				need(car.up === 'ground', 'not-chocked', 'chocked too late');
				car.chocked = true;
				return;
			case 'lift':
				need(car.heightsRead, 'heights-lost', 'lifted before the heights were read');
				need(car.chocked, 'not-chocked', 'lifted without chocks');
				need(car.wheelsLoose, 'wheels-rocked', 'lifted before the wheels were loose');
				car.up = 'jack';
				return;
			case 'stands':
				need(car.up === 'jack', 'unsupported-car', 'stands without a lift');
				car.up = 'stands';
				return;
			case 'ground':
				for (const corner of worked) {
					need(at(corner).wheelOn, 'wheel-missing', `${corner} comes down without its wheel`);
					need(!at(corner).jack, 'jack-left', `${corner} comes down on the small jack`);
				}
				car.up = 'ground';
				return;
			case 'torque-wheels':
				need(car.up === 'ground', 'wheels-in-air', 'wheels torqued off the ground');
				car.wheelsTorqued = true;
				return;
			case 'read-heights-after':
				need(car.up === 'ground', 'heights-lost', 'heights after read off the ground');
				need(car.wheelsTorqued, 'heights-lost', 'heights after read before the end');
				for (const corner of allCorners) {
					need(at(corner).owed.size === 0, 'left-open', `${corner} still has open joints`);
				}
				return;
			default:
				return playAt(act);
		}
	}

	function playAt(act: Extract<Act, { corner: Corner }>) {
		const { corner } = act;
		const c = at(corner);
		const layout = layoutOf(corner);
		const { build } = layout;
		const atCar = !['soak', 'compress', 'shaft-off', 'restack', 'shaft-on', 'release'].includes(
			act.do
		);
		// Rubber may be set on the wheels; everything else at the car wants it on stands.
		const onWheels = ['load', 'tighten'].includes(act.do) && scope.strategy.load === 'on-wheels';
		if (atCar && act.do !== 'compare' && !(onWheels && car.up === 'ground')) {
			need(car.up === 'stands', 'unsupported-car', `${act.do} with the car not on its stands`);
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
				need(!car.live, 'valves-live', 'air let out with the system live');
				c.pressure = false;
				return;
			case 'wheel-off':
				need(car.wheelsLoose, 'wheels-rocked', 'wheel fasteners never broken loose');
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
				need(placed(corner), 'hose-twisted', 'hose on before the knuckle is where it stays');
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
				armMoves(corner);
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
				armMoves(corner);
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
				return playJoint(act);
		}
	}

	function playJoint(act: Extract<Act, { joint: string }>) {
		const { corner, joint: key } = act;
		const c = at(corner);
		const layout = layoutOf(corner);
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
				if (joint.kind === 'bonded-bush' || key === build.heldBy?.joint) armMoves(corner);
				c.joints.set(key, 'slack');
				return;
			case 'crack':
				need(
					c.joints.get(key) === 'slack',
					'taper-bare',
					'taper cracked without its nut on threads'
				);
				need(c.jack, 'unheld-spring', 'taper cracked with nothing under the arm');
				c.cracked = true;
				return;
			case 'undo': {
				if (build.top.includes(key)) need(!c.trimOn, 'trim-in-way', `${key} behind its trim`);
				if (build.bottom.includes(key) || build.alsoUndone?.includes(key)) armMoves(corner);
				if (build.links?.includes(key)) {
					armMoves(corner);
					const held = sidesOf(axleOf(corner)).every((one) => damperHolds(one) && at(one).springIn);
					need(held, 'axle-rolls', 'a link comes off with the axle not held by its dampers');
				}
				if (key === build.heldBy?.joint) {
					armMoves(corner);
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

	const jointsTouched = (c: CornerState) => c.owed.size > 0;
	/** Rigid joints of a corner that were undone and do not have their torque, its links among them. */
	function rigidOwed(corner: Corner): string[] {
		const { joints } = layoutOf(corner);
		return [...at(corner).owed].filter((key) => {
			const joint = joints.find((one) => one.key === key)!;
			return joint.rule === 'any-time' && !linkWaits(key);
		});
	}
	/** A link may wait for the other side while the jack goes away, not while the car is loaded. */
	const linkWaits = (key: string) => key.startsWith('drop-link');
	/** The knuckle is where it stays. */
	function placed(corner: Corner): boolean {
		const c = at(corner);
		const { build } = layoutOf(corner);
		const ends = [
			...build.bottom,
			...build.top,
			...(build.alsoUndone ?? []),
			...(build.heldBy ? [build.heldBy.joint] : [])
		];
		return !c.lowered && c.springIn && ends.every((key) => !jointOut(corner, key));
	}

	for (const step of steps) {
		stepId = step.id;
		for (const act of step.acts) {
			play(act);
			checkHolds();
		}
	}
	stepId = 'end';
	for (const corner of allCorners) {
		need(at(corner).owed.size === 0, 'left-open', `${corner}: ${[...at(corner).owed].join(', ')}`);
		need(linksOn(corner) !== 1, 'link-under-load', 'one drop link left off');
	}
	need(car.up === 'ground', 'left-open', 'the car is not on its wheels');
	return violations;
}

function freshCorner({ joints, build }: Layout): CornerState {
	return {
		joints: new Map(joints.map(({ key }) => [key, 'tight'])),
		owed: new Set(),
		wheelOn: true,
		hoseOn: true,
		oiled: false,
		marked: false,
		trimOn: build.access !== undefined,
		jack: false,
		tied: false,
		lowered: false,
		squeezed: false,
		springIn: true,
		damperIn: true,
		compared: false,
		compressed: false,
		shaftNutOn: true,
		stacked: true,
		pressure: build.spring === 'air',
		loaded: false,
		cracked: false
	};
}
