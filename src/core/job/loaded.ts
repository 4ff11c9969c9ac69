/** How a corner stands while its rubber is set: loaded or not, and where it could have stood. */
import type { BushSetBand } from '../bush/band.ts';
import type { TwistLimits } from '../bush/verdict.ts';
import { axleOf, type Corner } from '../height/corners.ts';
import { loadingStanding, type LoadingStanding } from '../procedure/loading.ts';
import { chooseTarget, type TargetChoice } from '../procedure/target.ts';
import { asHubToArch, beforeMean, cornerTarget, springDoubt } from './corner-target.ts';
import type { JobRecord } from './record.ts';
import { judgeBush, settingToleranceMm } from './rubber.ts';

/** What the looks at a loaded corner say; undefined without a target to hold them against. */
export function loadedStanding(
	record: JobRecord,
	corner: Corner,
	limits: TwistLimits
): (LoadingStanding & { targetMm: number; toleranceMm: number }) | undefined {
	const target = cornerTarget(record, corner);
	const targetMm = target && asHubToArch(record, corner, target.heightMm);
	const toleranceMm = settingToleranceMm(record, corner, limits);
	if (targetMm === undefined || toleranceMm === undefined) return undefined;
	const looks = record.loadings
		.filter((look) => look.corner === corner)
		.map((look) => ({
			method: look.method,
			hubToArchMm: look.hubToArchMm,
			oppositeBeforeMm: look.oppositeBeforeMm ?? undefined,
			oppositeNowMm: look.oppositeNowMm ?? undefined
		}));
	return { ...loadingStanding(looks, targetMm, toleranceMm), targetMm, toleranceMm };
}

/** Another height that could have been the target, and what a bush set at it would keep. */
interface TargetAlternative extends TargetChoice {
	/** Absent where there is no arm or no conversion to judge by. */
	judged?: BushSetBand;
}

/**
 * The heights a corner was not set against: the maker's, the one before. Each with the twist a bush
 * would keep if it was set there, while the car will stand at the target.
 */
export function targetAlternatives(
	record: JobRecord,
	corner: Corner,
	limits: TwistLimits
): TargetAlternative[] {
	const target = cornerTarget(record, corner);
	const axle = record.vehicle.axles[axleOf(corner)];
	const beforeMm = beforeMean(record, corner);
	const others = [
		axle.makerHeightMm !== null && axle.makerHeightSchool === record.school
			? chooseTarget({ typedMm: axle.makerHeightMm, typedSource: 'maker' })
			: undefined,
		springDoubt(record, corner) ? undefined : chooseTarget({ beforeMm })
	];
	return others
		.filter((other) => other !== undefined && other.source !== target?.source)
		.map((other): TargetAlternative => {
			const hubToArchMm = asHubToArch(record, corner, other!.heightMm);
			const judged =
				hubToArchMm === undefined ? undefined : judgeBush(record, corner, hubToArchMm, limits);
			return { ...other!, ...(judged?.ok && { judged: judged.value }) };
		});
}
