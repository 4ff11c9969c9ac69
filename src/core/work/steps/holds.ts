/** Jack, strap and hook under what would drop, and away again. */
import type { Held } from '../../assembly/holding.ts';
import type { Axle, Corner } from '../../height/corners.ts';
import { onOneJack } from '../../layout/shape.ts';
import type { Act } from '../step.ts';
import { lowered } from './make.ts';
import type { Holder, LayoutPart } from '../../layout/types.ts';
import type { StepKind } from '../operations.ts';
import type { Site } from './site.ts';

const holding: Readonly<Record<Holder, { on: StepKind; off: StepKind }>> = {
	jack: { on: 'support', off: 'unsupport' },
	strap: { on: 'tie', off: 'untie' },
	hook: { on: 'hang', off: 'unhang' }
};

const jackOf = (part: LayoutPart) => (onOneJack(part) ? 'Jack' : 'Small jack');

export function hold(
	site: Site,
	{ part, by }: Held,
	corners: readonly Corner[],
	at: Axle | Corner
): void {
	site.add(holding[by].on, at, corners, {
		acts: corners.map((corner): Act => ({ do: 'hold', corner, part: part.key, by })),
		each: { held: [site.heldId(part, corners[0]!)] },
		title: {
			jack: `${jackOf(part)} under the ${lowered(part.name)}, just taking its weight`,
			strap: `Tie the ${lowered(part.name)} to the body`,
			hook: `Hook for the ${lowered(part.name)}, from the spring or the body`
		}[by]
	});
}

export function letGo(
	site: Site,
	{ part, by }: Held,
	corners: readonly Corner[],
	at: Axle | Corner
): void {
	site.add(holding[by].off, at, corners, {
		acts: corners.map((corner): Act => ({ do: 'let-go', corner, part: part.key, by })),
		each: { held: [site.heldId(part, corners[0]!)] },
		title: {
			jack: `${jackOf(part)} away`,
			strap: `Strap off the ${lowered(part.name)}`,
			hook: `Hook of the ${lowered(part.name)} away`
		}[by]
	});
}
