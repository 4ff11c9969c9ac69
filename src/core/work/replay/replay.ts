/**
 * A car as a small machine of support and stored energy. An order of work is played through it act by
 * act; what would have hurt somebody or spoiled the work is said. It knows the car, not the needs that
 * made the order.
 */
import { giveOf, tieOf, type Pins, type Tie } from '../../assembly/graph.ts';
import { staysOn } from '../../assembly/holding.ts';
import { axleOf, corners as allCorners, type Axle, type Corner } from '../../height/corners.ts';
import { damperOf, springArm, unitOf } from '../../layout/shape.ts';
import type { LayoutPart } from '../../layout/types.ts';
import type { WorkScope } from '../scope.ts';
import type { WorkStep } from '../step.ts';
import type { Need } from './acts/asks.ts';
import { play } from './acts/whole-car.ts';
import { freshCar, type AxleState, type Car } from './car.ts';

export interface Violation {
	stepId: string;
	code: string;
	words: string;
}

export function replay(steps: readonly WorkStep[], scope: WorkScope): Violation[] {
	const violations: Violation[] = [];
	const car = freshCar(scope);
	let stepId = '';
	const bad = (code: string, words: string) => violations.push({ stepId, code, words });
	const need: Need = (holds, code, words) => {
		if (!holds) bad(code, words);
	};
	for (const step of steps) {
		stepId = step.id;
		car.body.hands = step.people ?? 1;
		for (const act of step.acts) {
			play(car, act, need);
			checkHolds(car, bad);
		}
		checkHands(car, bad);
	}
	stepId = 'end';
	for (const [axle, state] of car.axles) {
		const of = (corner: Corner) => [...state.owed].filter((id) => id.startsWith(`${corner}/`));
		for (const corner of car.sidesOf(axle)) {
			const owed = of(corner);
			need(owed.length === 0, 'left-open', `${corner}: ${owed.join(', ')}`);
		}
		need(state.open.size === 0, 'left-open', `${axle}: ${[...state.open].join(', ')} still off`);
		need(state.out.size === 0, 'left-open', `${axle}: ${[...state.out].join(', ')} still out`);
		need(
			state.moved.size === 0,
			'left-open',
			`${axle}: ${[...state.moved.keys()].join(', ')} away`
		);
	}
	for (const corner of allCorners) {
		need(car.linksOn(corner) !== 1, 'link-under-load', 'one drop link left off');
	}
	need(car.body.up === 'ground', 'left-open', 'the car is not on its wheels');
	return violations;
}

/** Nobody goes on to another step with a unit in the hand: it is out, or something holds it. */
function checkHands(car: Car, bad: (code: string, words: string) => void): void {
	for (const corner of car.worked) {
		const layout = car.layoutOf(corner);
		const { graph, fixings, out } = car.axle(corner);
		const unit = unitOf(layout, damperOf(layout).key).map((key) => car.node(corner, key));
		if (out.has(unit[0]!)) continue;
		const isHeld = graph.edges.some(
			(edge) =>
				edge.corner === corner &&
				edge.holds &&
				edge.ends.filter((end) => unit.includes(end)).length === 1 &&
				// A strut stands in its clamp until it is drawn out of it.
				(giveOf(edge, fixings) !== undefined || edge.joint?.kind === 'clamp')
		);
		if (!isHeld) bad('unit-dropped', `${corner}: nothing holds the unit`);
	}
}

/** What must hold after every act. */
function checkHolds(car: Car, bad: (code: string, words: string) => void): void {
	const { worked, body, axles, axleLinksOff } = car;
	for (const [axle, state] of axles) {
		if (!changed(car, axle, state)) continue;
		const tie = tieOf(state.graph, state.fixings, pinsOf(state));
		if (tie) bad(codeOf(tie, state), `${tieWords(tie)} holds what has gone`);
		for (const corner of worked.filter((one) => axleOf(one) === axle))
			checkCorner(car, corner, bad);
		const off = axleLinksOff(axle);
		if (off > 1) bad('axle-rolls', `${off} links of the axle are off at once`);
		if (state.held.size && body.up !== 'stands') {
			bad('unsupported-car', 'the car is not on its stands');
		}
	}
}

/** Whether an axle stands otherwise than at the last look. */
function changed(car: Car, axle: Axle, state: AxleState): boolean {
	const { fixings, moved, out, held, seen } = state;
	const around = [
		car.body.up,
		...car.sidesOf(axle).flatMap((corner) => {
			const { squeezed, way } = car.at(corner);
			return [squeezed, way];
		})
	];
	const same =
		seen !== undefined &&
		sameMap(fixings, seen.fixings) &&
		sameMap(moved, seen.moved) &&
		sameMap(held, seen.held) &&
		out.size === seen.out.size &&
		[...out].every((node) => seen.out.has(node)) &&
		around.every((one, i) => one === seen.around[i]);
	if (same) return false;
	state.seen = {
		fixings: new Map(fixings),
		moved: new Map(moved),
		held: new Map(held),
		out: new Set(out),
		around
	};
	return true;
}

function sameMap<V>(a: ReadonlyMap<string, V>, b: ReadonlyMap<string, V>): boolean {
	if (a.size !== b.size) return false;
	for (const [key, value] of a) if (b.get(key) !== value) return false;
	return true;
}

const pinsOf = ({ moved, out }: AxleState): Pins =>
	new Map<string, number | 'out'>([
		['body', 0],
		...moved,
		...[...out].map((node): [string, 'out'] => [node, 'out'])
	]);

const tieWords = (tie: Tie): string =>
	tie.map(({ id, ends }) => id ?? ends.join(' on ')).join(', ');

/** What a tie would have done: torn a line, bent a link, wound rubber, or held a part. */
function codeOf(tie: Tie, { graph, out }: AxleState): string {
	const parts = tie.flatMap(({ ends }) => ends.flatMap((end) => graph.parts.get(end) ?? []));
	const has = (is: (part: LayoutPart) => boolean) => parts.some(is);
	if (has(({ kind, air }) => kind === 'line' && air === true)) return 'air-line-torn';
	if (has(({ kind }) => kind === 'line')) return 'hanging-hose';
	if (has(({ kind }) => kind === 'shaft')) return 'shaft-pulled';
	if (has(({ kind }) => kind === 'link' || kind === 'bar')) return 'link-under-load';
	if (tie.some(({ ends }) => ends.some((end) => out.has(end)))) return 'still-held';
	if (tie.every(({ turnsWhenSlack }) => turnsWhenSlack)) return 'rubber-torn';
	return 'arm-held';
}

function checkCorner(car: Car, corner: Corner, bad: (code: string, words: string) => void): void {
	const layout = car.layoutOf(corner);
	const { graph, fixings, moved, out } = car.axle(corner);
	const held = car.heldAt(corner);
	const arm = springArm(layout);
	const up = car.upAt(corner);
	const { way } = car.at(corner);
	for (const joint of way ? car.stillTogether(corner, way) : []) {
		bad('arm-held', `${joint.key} holds what has gone`);
	}
	const armsOut = layout.assembly.parts.filter(
		({ kind, key, shared }) => kind === 'arm' && !shared && out.has(car.node(corner, key))
	);
	if (armsOut.length > 1) bad('wheel-loose', `${armsOut.length} arms of a corner are out at once`);
	for (const part of layout.assembly.parts) {
		if (!part.heldBy || out.has(car.node(corner, part.key))) continue;
		const node = car.node(corner, part.key);
		const stays = held.has(node) || staysOn(graph, fixings, held, node, moved);
		if (up.has(node) && stays) continue;
		if (part.key === arm?.key && car.presses(corner)) {
			bad('unheld-spring', 'nothing holds the spring on the arm');
		} else if (part.heldBy === 'jack') bad('arm-drops', `nothing holds the ${part.name}`);
		else
			bad(
				part.heldBy === 'hook' ? 'hanging-hose' : 'knuckle-falls',
				`nothing holds the ${part.name}`
			);
	}
}
