/** Upper ends as the shop likes them: eased while the wheels hold the car, tight with the weight on them. */
import { jointId } from '../../assembly/graph.ts';
import type { Corner } from '../../height/corners.ts';
import { findsItsPlace } from '../../layout/shape.ts';
import type { LayoutJoint } from '../../layout/types.ts';
import { lowered } from './make.ts';
import type { Site } from './site.ts';

/** Nuts of the upper end that come apart, eased on the ground. */
export function easedOnGround(site: Site, corner: Corner, top: readonly LayoutJoint[]): void {
	if (!site.how.easeTop || top.length === 0) return;
	const nuts = top.filter((joint) => findsItsPlace(site.layout, joint));
	if (nuts.length === 0) return;
	site.at(corner, 'ease-top', nuts, 'ease', {
		title: `Eased a quarter-turn, the wheels holding: ${nuts.map(({ name }) => lowered(name)).join(', ')}`,
		each: { joints: nuts.map(({ key }) => jointId(corner, key)) }
	});
}

/** Of joints that want their torque, those that get it only once the car stands on its wheels. */
export const withWeightOn = (site: Site, joints: readonly LayoutJoint[]): LayoutJoint[] =>
	site.how.topNuts === 'weight-on'
		? joints.filter((joint) => findsItsPlace(site.layout, joint))
		: [];
