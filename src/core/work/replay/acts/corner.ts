/** What is done at a corner, but for its parts and joints. */
import { jointId, readJointId } from '../../../assembly/graph.ts';
import type { Corner } from '../../../height/corners.ts';
import { insidePlaces, jointOf } from '../../../layout/shape.ts';
import type { Act } from '../../step.ts';
import type { Car } from '../car.ts';
import { heldAt, linksOwed, notStarted, unitOwed, type Need } from './asks.ts';
import { playPart } from './part.ts';

const onBench: ReadonlySet<Act['do']> = new Set([
	'compare',
	'compress',
	'shaft-off',
	'let-off',
	'restack',
	'shaft-on',
	'release'
]);

export function playCorner(car: Car, act: Extract<Act, { corner: Corner }>, need: Need): void {
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
			// Where rubber is set under a car on its wheels, what covers it goes on there too.
			const below =
				act.do === 'cover-on' && scope.strategy.load === 'on-wheels' && body.up === 'ground';
			need(
				body.up === 'stands' || inside || below,
				'unsupported-car',
				`${act.do} under a car not on stands`
			);
			const id = cover.shared ? act.cover : `${corner}/${act.cover}`;
			const above = layout.assembly.covers.filter(({ liesOn }) => liesOn?.includes(cover.key));
			for (const one of above) {
				const off = axle.open.has(one.shared ? one.key : `${corner}/${one.key}`);
				need(off, 'trim-in-way', `${act.do} of ${cover.name} under ${one.name}`);
			}
			if (act.do === 'cover-off') axle.open.add(id);
			else {
				need(axle.open.has(id), 'trim-in-way', 'a cover goes on that is on');
				axle.open.delete(id);
			}
			return;
		}
		case 'piston-back':
			need(!c.wheelOn, 'wheel-in-way', 'a piston pushed back through the wheel');
			c.pistonBack = true;
			body.brakes = false;
			return;
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
		default:
			return playPart(car, act, need);
	}
}
