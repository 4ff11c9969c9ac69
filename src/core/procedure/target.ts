/** Where a target height can come from, in order of trust. */
export const targetSources = ['maker', 'chosen', 'before'] as const;
export type TargetSource = (typeof targetSources)[number];

export interface TargetChoice {
	heightMm: number;
	source: TargetSource;
	reason: string;
}

const reasons: Readonly<Record<TargetSource, string>> = {
	maker: 'The maker’s specified height',
	chosen: 'Chosen for this job',
	before: 'The height before: right only if the car stood as it should'
};

/**
 * The height a corner is set against: a height chosen for the job by hand if there is one, else the
 * maker's, else the height before.
 */
export function chooseTarget(options: {
	typedMm?: number;
	typedSource?: 'maker' | 'chosen';
	beforeMm?: number;
}): TargetChoice | undefined {
	const { typedMm, typedSource = 'chosen', beforeMm } = options;
	if (typedMm !== undefined) {
		return { heightMm: typedMm, source: typedSource, reason: reasons[typedSource] };
	}
	return beforeMm === undefined
		? undefined
		: { heightMm: beforeMm, source: 'before', reason: reasons.before };
}
