/** Jack and strap under what would drop, and away again. */
import type { Held } from '../../assembly/holding.ts';
import type { Axle, Corner } from '../../height/corners.ts';
import { onOneJack } from '../../layout/shape.ts';
import type { Act } from '../step.ts';
import { lowered } from './make.ts';
import type { Site } from './site.ts';

export function hold(
	site: Site,
	{ part, by }: Held,
	corners: readonly Corner[],
	at: Axle | Corner
): void {
	site.add(by === 'jack' ? 'support' : 'tie', at, corners, {
		acts: corners.map((corner): Act => ({ do: 'hold', corner, part: part.key, by })),
		each: { held: [site.heldId(part, corners[0]!)] },
		title:
			by === 'jack'
				? `${onOneJack(part) ? 'Jack' : 'Small jack'} under the ${lowered(part.name)}, just taking its weight`
				: `Tie the ${lowered(part.name)} to the body`
	});
}

export function letGo(
	site: Site,
	{ part, by }: Held,
	corners: readonly Corner[],
	at: Axle | Corner
): void {
	site.add(by === 'jack' ? 'unsupport' : 'untie', at, corners, {
		acts: corners.map((corner): Act => ({ do: 'let-go', corner, part: part.key, by })),
		each: { held: [site.heldId(part, corners[0]!)] },
		title:
			by === 'jack'
				? `${onOneJack(part) ? 'Jack' : 'Small jack'} away`
				: `Strap off the ${lowered(part.name)}`
	});
}
