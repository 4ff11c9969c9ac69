/** A whole arm, or new bushes and a new joint in the old one: what each costs, how long it takes, what may go wrong. */
import { askedJobs, bushesOf } from '../work/jobs.ts';
import { meanMinutes, stepMinutes, type Learned } from '../work/minutes.ts';
import type { StepKind } from '../work/operations.ts';
import { workSteps } from '../work/assembly-steps.ts';
import { axleOf, type Axle } from '../height/corners.ts';
import { isTaper, jointsOf, partOf } from '../layout/shape.ts';
import type { RustGrade, WorkScope } from '../work/scope.ts';

/** In the shop's currency, for one corner; the joint is asked only where the arm carries one. */
export interface ArmPrices {
	arm: number;
	bushes: number;
	/** A ball joint to go into the old arm; 0 where its own stays. */
	joint: number;
}

interface Choice {
	minutes: number;
	parts: number;
	labour: number;
	/** What a ruined arm costs, times how often it happens. */
	risk: number;
	all: number;
}

export interface ArmAnswer {
	arm: Choice;
	bushes: Choice;
	cheaper: 'arm' | 'bushes' | 'even';
	/** How many bushes there are to press in one arm, and whether it carries a ball joint. */
	bushCount: number;
	hasJoint: boolean;
	/** Share of old arms that a bush takes with it, 0 to 1. */
	ruined: number;
}

/** Old bushes that take their arm with them, or tear in it for hours. Common practice, no source. */
const ruinedBy: Readonly<Record<RustGrade, number>> = { none: 0.02, light: 0.06, heavy: 0.15 };

/** A jointed arm has its bushes pressed and its ball joint with it. */
export const carriesJoint = (scope: Pick<WorkScope, 'layouts'>, axle: Axle, part: string) =>
	jointsOf(scope.layouts[axle], part).some(isTaper);

/**
 * @param costs per hour of labour, per hour of a car that waits, and hours until an arm is here that was not ordered
 * @param pace the shop's own
 */
export function armOrBush(
	scope: WorkScope,
	axle: Axle,
	part: string,
	prices: ArmPrices,
	costs: { labourPerHour: number; waitPerHour: number; partWaitHours: number },
	pace?: ReadonlyMap<StepKind, Pick<Learned, 'factor'>>
): ArmAnswer {
	const layout = scope.layouts[axle];
	const want = scope.axles[axle] ?? { damper: false, spring: false, bushes: false };
	const others = askedJobs(layout, want.also)
		.filter((asked) => asked.part?.key !== part)
		.map(({ id }) => id);
	const minutesOf = (job: 'arm' | 'bush') => {
		const also = [...others, `${job}:${part}`];
		const asked = { ...scope, axles: { ...scope.axles, [axle]: { ...want, bushes: false, also } } };
		const steps = workSteps(asked);
		return [...stepMinutes(steps, asked, pace).values()].reduce(
			(sum, one) => sum + meanMinutes(one),
			0
		);
	};
	const corners = scope.corners.filter((corner) => axleOf(corner) === axle).length;
	const ruined = ruinedBy[scope.rust];
	const choice = (minutes: number, price: number, risk: number): Choice => {
		const [parts, labour] = [corners * price, (minutes / 60) * costs.labourPerHour];
		return { minutes, parts, labour, risk: corners * risk, all: parts + labour + corners * risk };
	};
	const mishap = ruined * (prices.arm + costs.partWaitHours * costs.waitPerHour);
	const arm = choice(minutesOf('arm'), prices.arm, 0);
	const bushes = choice(minutesOf('bush'), prices.bushes + prices.joint, mishap);
	const difference = arm.all - bushes.all;
	return {
		arm,
		bushes,
		cheaper: Math.abs(difference) < 0.005 ? 'even' : difference < 0 ? 'arm' : 'bushes',
		bushCount: bushesOf(layout, partOf(layout, part)!).length,
		hasJoint: carriesJoint(scope, axle, part),
		ruined
	};
}
