/** Fasteners of a job that fight, and what comes of them: parts, minutes, what is left. */
import { jointId, readJointId, type JointId } from '../assembly/graph.ts';
import { isRuined, minutesTried } from '../fastener/stuck-fastener.ts';
import { axleOf, type Corner } from '../height/corners.ts';
import { jointOf } from '../layout/shape.ts';
import type { Layout, LayoutJoint } from '../layout/types.ts';
import type { Axle } from '../height/corners.ts';
import type { WorkStep } from '../work/step.ts';
import type { Minutes } from '../work/terms.ts';
import type { Data as StuckData } from './kinds/fight/data.ts';
import type { WorkBook } from './work-book.ts';

export interface Fight extends StuckData {
	id: JointId;
	corner: Corner;
	joint: LayoutJoint;
}

/** All of a job whose joint the car still has. */
export function fightsOf(book: WorkBook, layouts: Record<Axle, Layout>): Fight[] {
	return book.of('fight').flatMap(({ subject, data }): Fight[] => {
		const { corner, key } = readJointId(subject);
		const joint = jointOf(layouts[axleOf(corner)], key);
		return joint ? [{ ...data, id: subject, corner, joint }] : [];
	});
}

export const ruinedOf = (fights: readonly Fight[]): Fight[] =>
	fights.filter(({ outcome }) => isRuined(outcome));

/** Joints that a step undoes, slackens or cracks. */
export const undoneBy = ({ acts }: WorkStep): JointId[] =>
	acts.flatMap((act) =>
		act.do === 'undo' || act.do === 'slack' || act.do === 'crack'
			? [jointId(act.corner, act.joint)]
			: []
	);

/** Minutes of steps with what fighting fasteners have taken besides. */
export function withFights(
	minutes: ReadonlyMap<string, Minutes>,
	steps: readonly WorkStep[],
	fights: readonly Fight[]
): ReadonlyMap<string, Minutes> {
	if (fights.length === 0) return minutes;
	const more = new Map(fights.map(({ id, tried }) => [id, minutesTried(tried)]));
	return new Map(
		steps.map((step): [string, Minutes] => {
			const { low, likely, high } = minutes.get(step.id)!;
			const ids = new Set(undoneBy(step));
			const extra = [...ids].reduce((sum, id) => sum + (more.get(id) ?? 0), 0);
			return [step.id, { low: low + extra, likely: likely + extra, high: high + extra }];
		})
	);
}
