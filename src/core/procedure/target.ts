/** Where a target height can come from, in order of trust. */
export type TargetSource = 'maker' | 'predicted' | 'chosen' | 'other-side' | 'before';

export interface TargetChoice {
	heightMm: number;
	source: TargetSource;
	reason: string;
	/** Half-width of the 95 % band of a predicted height. */
	expandedMm?: number;
	/** Why the height before is no target here; to be read before anything is set. */
	warning?: string;
}

const reasons: Readonly<Record<TargetSource, string>> = {
	maker: 'The maker’s specified height',
	predicted: 'Predicted with the new spring, settled',
	chosen: 'Chosen for this job',
	'other-side': 'The height of the other side, whose spring is sound',
	before: 'The height before: right only if the car stood as it should'
};

/** What makes the height before no target: common practice, no source. */
export type SpringDoubt = 'broken' | 'sagged' | 'renewed';

const doubts: Readonly<Record<SpringDoubt, string>> = {
	broken: 'The spring of this corner was found broken',
	sagged: 'The spring of this corner was found sagged',
	renewed: 'The spring of this corner is renewed'
};

/** In words that stand alone, with what is to be done where nothing else is known. */
export const doubtWords = (doubt: SpringDoubt): string =>
	`${doubts[doubt]}: the height before is no target.`;

/**
 * The height a corner is set against: one kept for the job (the maker's as typed, predicted with the new
 * spring, or chosen) if there is one, else the maker's of the car, else the height before. Where the spring
 * makes that one worth nothing, the sound other side's; else none, and somebody has to say it.
 */
export function chooseTarget(options: {
	typedMm?: number;
	typedSource?: Extract<TargetSource, 'maker' | 'predicted' | 'chosen'>;
	expandedMm?: number;
	beforeMm?: number;
	/** Why the height before counts for nothing; absent: it counts. */
	doubt?: SpringDoubt;
	/** Before, at the other side of the axle, where its spring is sound. */
	otherSideMm?: number;
}): TargetChoice | undefined {
	const { typedMm, typedSource = 'chosen', expandedMm, doubt } = options;
	const warning = doubt && { warning: doubtWords(doubt) };
	if (typedMm !== undefined) {
		const band = expandedMm === undefined ? {} : { expandedMm };
		return {
			heightMm: typedMm,
			source: typedSource,
			reason: reasons[typedSource],
			...band,
			...warning
		};
	}
	const source = doubt ? 'other-side' : 'before';
	const heightMm = doubt ? options.otherSideMm : options.beforeMm;
	return heightMm === undefined
		? undefined
		: { heightMm, source, reason: reasons[source], ...warning };
}
