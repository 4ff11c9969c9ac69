/** What is done to the car as a whole. */
import { springSeat } from '../../../layout/shape.ts';
import type { Act } from '../../step.ts';
import type { Car } from '../car.ts';
import { looseCalipers, unitOwed, type Need } from './asks.ts';
import { playCorner } from './corner.ts';

/** Plays an act; what is done at a corner is handed on. */
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
		case 'pump-brakes': {
			const loose = worked.flatMap((corner) => looseCalipers(car, corner));
			need(loose.length === 0, 'piston-out', `pedal pumped with ${loose.join(', ')} loose`);
			body.brakes = true;
			return;
		}
		case 'torque-wheels':
			need(body.up === 'ground', 'wheels-in-air', 'wheels torqued off the ground');
			body.wheelsTorqued = true;
			return;
		case 'read-heights-after':
			need(body.up === 'ground', 'heights-lost', 'heights after read off the ground');
			need(body.wheelsTorqued, 'heights-lost', 'heights after read before the end');
			need(body.brakes, 'no-brakes', 'rolled with no brakes');
			need(body.taught, 'not-taught', 'heights after read of a car that was not taught its height');
			body.readAfter = true;
			for (const [axle, { owed, open }] of axles) {
				need(owed.size === 0, 'left-open', `${axle} still has open joints`);
				need(open.size === 0, 'left-open', `${axle} still has covers off`);
			}
			return;
		default:
			return playCorner(car, act, need);
	}
}
