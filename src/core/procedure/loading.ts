/** Evidence that a corner stands loaded at its target before its rubber is tightened. */
import { formatNumber } from '../units/format.ts';
import type { LoadMethod } from './facts.ts';

/** One look at a loaded corner. */
export interface LoadingFact {
	method: LoadMethod;
	hubToArchMm: number;
	/** At the opposite corner, any fixed pair of points: before the jack took weight, and now. */
	oppositeBeforeMm?: number;
	oppositeNowMm?: number;
}

/** The body has moved when the opposite corner reads this much off, mm. Own choice: twice a tape's reading. */
const bodyMovedMm = 3;

type LoadingVerdict = 'none' | 'in-band' | 'out-of-band' | 'crept' | 'body-lifted';

export interface LoadingStanding {
	verdict: LoadingVerdict;
	/** The last reading less the target, mm. */
	offMm?: number;
	/** The last reading less the first since the corner came into its band, mm. */
	driftMm?: number;
	words: string;
}

/** How far the opposite corner moved; 0 where it was not read. */
const oppositeMoveMm = ({ oppositeBeforeMm, oppositeNowMm }: LoadingFact): number =>
	oppositeBeforeMm === undefined || oppositeNowMm === undefined
		? 0
		: oppositeNowMm - oppositeBeforeMm;
const bodyHasMoved = (look: LoadingFact): boolean => Math.abs(oppositeMoveMm(look)) >= bodyMovedMm;

const mm = (value: number) => `${formatNumber(Math.abs(value), 0)} mm`;

/**
 * What the looks at one corner say, oldest first.
 *
 * @param targetMm hub to arch at which its rubber is to be set
 * @param toleranceMm how far off it may stand
 */
export function loadingStanding(
	looks: readonly LoadingFact[],
	targetMm: number,
	toleranceMm: number
): LoadingStanding {
	const last = looks[looks.length - 1];
	if (!last) return { verdict: 'none', words: 'Not loaded yet: no reading at this corner' };
	const offMm = last.hubToArchMm - targetMm;
	const inBand = (look: LoadingFact) => Math.abs(look.hubToArchMm - targetMm) <= toleranceMm;
	const came = looks.findIndex(
		(look) => look.method === last.method && inBand(look) && !bodyHasMoved(look)
	);
	const driftMm = came < 0 ? undefined : last.hubToArchMm - looks[came]!.hubToArchMm;
	const answer = (verdict: LoadingVerdict, words: string): LoadingStanding => ({
		verdict,
		offMm,
		...(driftMm !== undefined && { driftMm }),
		words
	});
	if (bodyHasMoved(last)) {
		return answer(
			'body-lifted',
			`The opposite corner moved ${mm(oppositeMoveMm(last))}: the body has left its stands. Lower the jack, look at the stands`
		);
	}
	const where = `${mm(offMm)} ${offMm > 0 ? 'too far down' : 'too far up'}`;
	if (inBand(last)) {
		return answer(
			'in-band',
			Math.abs(offMm) < 0.5 ? 'At its target' : `${mm(offMm)} off, within its band`
		);
	}
	if (driftMm !== undefined && came < looks.length - 1) {
		return answer(
			'crept',
			`It stood in its band and has crept ${mm(driftMm)}: now ${where}. Bring it back before the next joint`
		);
	}
	return answer(
		'out-of-band',
		`${where}: bring the ${offMm > 0 ? 'wheel up' : 'wheel down'} before any rubber is tightened`
	);
}
