/** How long steps take: the usual minutes, rust, second sides, and what the shop's own record says. */
import { axleOf } from '../height/corners.ts';
import { operation, type StepKind } from './operations.ts';
import type { RustGrade, WorkScope } from './scope.ts';
import type { WorkStep } from './step.ts';
import type { Minutes } from './terms.ts';

/** What rust does to steps that undo something. Common practice, no source. */
const rustFactors: Readonly<Record<RustGrade, number>> = {
	none: 1,
	light: 1.25,
	heavy: 1.8
};

/** The second side of an axle takes about half the time of the first. Common practice, no source. */
const secondSideFactor = 0.5;

/** What a shop's record holds of one kind of step: how many were timed, and the sum of their log ratios. */
export interface TimedKind {
	kind: StepKind;
	steps: number;
	/** Sum of ln(minutes taken / minutes expected). */
	logRatios: number;
}

/** What a shop's record makes of one kind of step. */
export interface Learned {
	/** Expected minutes are multiplied by it. */
	factor: number;
	/** Records it rests on. */
	records: number;
	/** Weight of the shop's own times, 0 to 1; the rest is the usual. */
	weight: number;
}

/** Records that weigh as much as the usual minutes: own choice. */
const usualWeighs = 5;
/** A step that took a tenth or ten times as long was interrupted or forgotten, not worked. Own choice. */
const mostOff = 10;
export const believable = (tookToExpected: number): boolean =>
	tookToExpected > 1 / mostOff && tookToExpected < mostOff;

/**
 * The shop's own pace, kind by kind: the mean log ratio of minutes taken to minutes expected, shrunk
 * toward none by the credibility weight n/(n + k) (Bühlmann 1967, k = 5 own choice).
 */
export function learnedPace(record: readonly TimedKind[]): Map<StepKind, Learned> {
	return new Map(
		record
			.filter(({ steps }) => steps > 0)
			.map(({ kind, steps, logRatios }) => {
				const weight = steps / (steps + usualWeighs);
				const factor = Math.exp((weight * logRatios) / steps);
				return [kind, { factor, records: steps, weight }];
			})
	);
}

/** The shop's pace over all kinds: what whole jobs are multiplied by in lists; learned in the same way. */
export function overallPace(record: readonly TimedKind[]): number {
	const steps = record.reduce((sum, kind) => sum + kind.steps, 0);
	const logRatios = record.reduce((sum, kind) => sum + kind.logRatios, 0);
	return Math.exp(logRatios / (steps + usualWeighs));
}

/** The minutes of each step, in the order given, by id. */
export function stepMinutes(
	order: readonly WorkStep[],
	{ rust }: Pick<WorkScope, 'rust'>,
	learned: ReadonlyMap<StepKind, Pick<Learned, 'factor'>> = new Map()
): Map<string, Minutes> {
	const seen = new Set<string>();
	return new Map(
		order.map((step) => {
			const { rusts, repeats } = operation(step.kind);
			const [corner] = step.corners;
			const place = step.corners.length === 1 ? axleOf(corner!) : step.at;
			const again = repeats && seen.has(`${place}/${step.kind}`);
			seen.add(`${place}/${step.kind}`);
			const factor =
				(rusts ? rustFactors[rust] : 1) *
				(again ? secondSideFactor : 1) *
				(learned.get(step.kind)?.factor ?? 1);
			const { low, likely, high } = step.minutes;
			return [step.id, { low: low * factor, likely: likely * factor, high: high * factor }];
		})
	);
}

/** Mean of a PERT-beta distribution (Malcolm et al., Operations Research 7, 1959). */
export const meanMinutes = ({ low, likely, high }: Minutes): number =>
	(low + 4 * likely + high) / 6;
