export type TwistVerdict = 'set' | 're-set-advised' | 'wound-up';

/** Greatest twist for each verdict, degrees. Own choice, to be edited by the shop. */
export interface TwistLimits {
	setDeg: number;
	advisedDeg: number;
}

const defaultTwistLimits: TwistLimits = { setDeg: 2, advisedDeg: 5 };

/** Up to `setDeg` set; up to `advisedDeg` re-set advised; above it wound up: do not sign off. */
export function twistVerdict(
	twistDeg: number,
	limits: TwistLimits = defaultTwistLimits
): TwistVerdict {
	const size = Math.abs(twistDeg);
	if (size <= limits.setDeg) return 'set';
	return size <= limits.advisedDeg ? 're-set-advised' : 'wound-up';
}
