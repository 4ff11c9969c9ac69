/** What is done to a unit on the bench. */
import type { Corner } from '../../../height/corners.ts';
import { damperOf, springSeat } from '../../../layout/shape.ts';
import type { Act } from '../../step.ts';
import type { Car } from '../car.ts';
import type { Need } from './asks.ts';

export function playBench(car: Car, act: Extract<Act, { corner: Corner }>, need: Need): void {
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
		case 'let-off':
			need(c.compressed && !c.shaftNutOn, 'unheld-spring', 'let off around its damper');
			c.compressed = false;
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
