/** Where a target height can come from, in order of trust. */
export type TargetSource = 'maker' | 'predicted' | 'chosen' | 'before';

export interface TargetChoice {
	heightMm: number;
	source: TargetSource;
	reason: string;
	/** Half-width of the 95 % band of a predicted height. */
	expandedMm?: number;
}

const reasons: Readonly<Record<TargetSource, string>> = {
	maker: 'The maker’s specified height',
	predicted: 'Predicted with the new spring, settled',
	chosen: 'Chosen for this job',
	before: 'The height before: right only if the car stood as it should'
};

/**
 * The height a corner is set against: one kept for the job (the maker's as typed, predicted with the new
 * spring, or chosen) if there is one, else the maker's of the car, else the height before.
 */
export function chooseTarget(options: {
	typedMm?: number;
	typedSource?: Exclude<TargetSource, 'before'>;
	expandedMm?: number;
	beforeMm?: number;
}): TargetChoice | undefined {
	const { typedMm, typedSource = 'chosen', expandedMm, beforeMm } = options;
	if (typedMm !== undefined) {
		const band = expandedMm === undefined ? {} : { expandedMm };
		return { heightMm: typedMm, source: typedSource, reason: reasons[typedSource], ...band };
	}
	return beforeMm === undefined
		? undefined
		: { heightMm: beforeMm, source: 'before', reason: reasons.before };
}
