/** The height a corner will stand at, and why that one. */
import { axleOf, corners as allCorners, type Corner } from '../height/corners.ts';
import { measureHeight, type HeightMeasure } from '../height/measure.ts';
import { toHubToArchMm } from '../height/schools.ts';
import { effective } from '../procedure/corrections.ts';
import { chooseTarget, type SpringDoubt, type TargetChoice } from '../procedure/target.ts';
import { springFinding } from './findings.ts';
import { askedJobs } from '../work/jobs.ts';
import type { JobRecord } from './record.ts';
import { layoutsOf } from './scope.ts';
import { WorkBook } from './work-book.ts';

export function measuredHeight(
	readingsMm: number[],
	resolutionMm: number,
	standings?: number[]
): HeightMeasure | undefined {
	return readingsMm.length
		? measureHeight(readingsMm, resolutionMm, undefined, standings)
		: undefined;
}

/** In the job's school; undefined where nothing says it. */
export function cornerTarget(record: JobRecord, corner: Corner): TargetChoice | undefined {
	return targetOf(record, corner, beforeMean(record, corner));
}

/** The same with the mean of the heights before already at hand. */
export function targetOf(
	record: JobRecord,
	corner: Corner,
	beforeMm?: number
): TargetChoice | undefined {
	const doubt = springDoubt(record, corner);
	const typed = record.targets.find((target) => target.corner === corner);
	if (typed) {
		return chooseTarget({
			typedMm: typed.heightMm,
			typedSource: typed.source,
			expandedMm: typed.prediction?.expandedMm,
			doubt
		});
	}
	const axle = record.vehicle.axles[axleOf(corner)];
	if (axle.makerHeightMm !== null && axle.makerHeightSchool === record.school) {
		return chooseTarget({ typedMm: axle.makerHeightMm, typedSource: 'maker', doubt });
	}
	const other = otherSide(corner);
	const sound = !springFinding(WorkBook.of(record), other);
	return chooseTarget({
		beforeMm,
		doubt,
		// A spring that is renewed for another height says nothing of it, on neither side.
		...(sound && doubt !== 'renewed' && { otherSideMm: beforeMean(record, other) })
	});
}

/** The other wheel of the axle. */
export const otherSide = (corner: Corner): Corner =>
	allCorners.find((one) => one !== corner && axleOf(one) === axleOf(corner))!;

/** Why the height before is no target at this corner: its spring was found finished, or goes. */
export function springDoubt(record: JobRecord, corner: Corner): SpringDoubt | undefined {
	const book = WorkBook.of(record);
	const found = springFinding(book, corner)?.state as SpringDoubt | undefined;
	const worked = record.corners.includes(corner);
	const said = book.get('scope', axleOf(corner));
	const layout = layoutsOf(record)[axleOf(corner)];
	const kit = askedJobs(layout, said?.also).some(({ job }) => job.kit);
	const renewed = worked && (said?.spring || kit);
	return found ?? (renewed ? 'renewed' : undefined);
}

/** A height of the job's school as hub to arch, where the job says how. */
export function asHubToArch(
	record: JobRecord,
	corner: Corner,
	heightMm: number
): number | undefined {
	return toHubToArchMm(heightMm, record.school, record.offsets[axleOf(corner)]?.offsetMm);
}

/** Mean of the readings before that count, mm. */
export function beforeMean(record: JobRecord, corner: Corner): number | undefined {
	const values = effective(record.readings)
		.filter((reading) => reading.phase === 'before' && reading.corner === corner)
		.map((reading) => reading.heightMm!);
	return measuredHeight(values, record.heightSets.before?.resolutionMm ?? 1)?.meanMm;
}
