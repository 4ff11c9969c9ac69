/** What a bounce test says of a damper: the count by eye and a trace are two findings, and neither alone condemns one. */
import type { Corner } from '../height/corners.ts';
import { formatNumber } from '../units/format.ts';

/** What a bounce at one corner gave. */
export interface BounceFinding {
	corner: Corner;
	/** There and back is one: counted by eye until it stopped. */
	movements?: number | undefined;
	/** Of critical, read from a trace. */
	dampingRatio?: number | undefined;
	/** Half-width of its 95 % band. */
	expanded?: number | undefined;
}

/** More movements than this and a damper no longer does its work. Common practice, no source. */
export const goodMovements = 1.5;
/** A passenger car's damper in good order damps this of critical or more. Common practice, no source. */
export const soundRatio = 0.25;
/** Two of an axle that differ by this share are no pair any more. Own choice. */
const unlikeShare = 0.4;
/** Of a trace that was kept without a band. */
const usualBand = 0.06;

export interface DamperVerdict {
	/** good: nothing speaks against it; doubt: one finding does; weak: two do. */
	verdict: 'good' | 'doubt' | 'weak';
	/** Why, as a reason on paper. */
	words: string;
	/** What would settle a doubt. */
	ask?: string;
}

/** @param weeps oil was found on this damper */
export function damperOf(
	{ corner, movements, dampingRatio, expanded = usualBand }: BounceFinding,
	weeps = false
): DamperVerdict {
	const count =
		movements === undefined
			? undefined
			: `${formatNumber(movements, 1)} movements until it stops (one and a half is good order)`;
	const trace =
		dampingRatio === undefined
			? undefined
			: `${formatNumber(dampingRatio, 2)} ± ${formatNumber(expanded, 2)} of critical in its trace (${formatNumber(soundRatio, 2)} is good order)`;
	const words = `${corner}: ${[count, trace, weeps ? 'oil on it' : undefined].filter(Boolean).join(', ')}.`;
	const byEye = movements !== undefined && movements > goodMovements;
	const byTrace = dampingRatio !== undefined && dampingRatio + expanded < soundRatio;
	const sound = dampingRatio !== undefined && dampingRatio - expanded > soundRatio;
	const against = [byEye, byTrace, weeps && (byEye || byTrace)].filter(Boolean).length;
	if (against === 0) return { verdict: 'good', words };
	if (against >= 2 && !sound) return { verdict: 'weak', words };
	const ask = sound
		? 'the trace says that it damps: bounce it again'
		: byEye
			? dampingRatio === undefined
				? 'a count by eye alone condemns no damper: record a trace, or look for oil'
				: 'the trace leaves it open: bounce it again'
			: 'a trace alone condemns no damper: count by eye too, and look for oil';
	return { verdict: 'doubt', words, ask };
}

/** Sides of an axle that damp so differently that their bands do not explain it: the weaker of the two. */
export function unlike(
	one: BounceFinding | undefined,
	other: BounceFinding | undefined
): { weak: BounceFinding; words: string } | undefined {
	if (one?.dampingRatio === undefined || other?.dampingRatio === undefined) return undefined;
	const [weak, strong] = one.dampingRatio < other.dampingRatio ? [one, other] : [other, one];
	const apart = strong.dampingRatio! - weak.dampingRatio!;
	const band = Math.hypot(weak.expanded ?? usualBand, strong.expanded ?? usualBand);
	if (apart < unlikeShare * strong.dampingRatio! || apart < band) return undefined;
	return {
		weak,
		words: `${weak.corner} damps ${formatNumber(weak.dampingRatio!, 2)} of critical, ${strong.corner} ${formatNumber(strong.dampingRatio!, 2)}: no longer a pair.`
	};
}
