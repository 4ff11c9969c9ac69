/** What of a corner holds air, or carries the car on it. */
import { jointId, type JointId } from '../../assembly/graph.ts';
import type { Corner } from '../../height/corners.ts';
import { airUnit, partOf } from '../../layout/shape.ts';
import type { Layout, LayoutJoint } from '../../layout/types.ts';
import type { AxlePlan } from '../scope.ts';

/** Something that holds air, or carries the car on it, comes apart at a corner. */
export const opensAir = (plan: AxlePlan, corner: Corner): boolean =>
	underAir(plan, corner).length > 0;

/** Joints that come apart at a corner and stand under air until it is let out. */
export function underAir({ layout, freed }: AxlePlan, corner: Corner): JointId[] {
	const unit = airUnit(layout);
	const carries = ({ between, pair }: LayoutJoint) =>
		!pair &&
		between.some((key) => unit.includes(key)) &&
		!between.some((key) => isPlainLine(layout, key));
	return layout.joints
		.filter(carries)
		.map(({ key }) => jointId(corner, key))
		.filter((id) => freed.off.includes(id));
}

const isPlainLine = (layout: Layout, key: string): boolean => {
	const part = partOf(layout, key);
	return part?.kind === 'line' && !part.air;
};

export const airJoints = (layout: Layout): LayoutJoint[] =>
	layout.joints.filter(({ between }) =>
		between.some((key) => {
			const part = partOf(layout, key);
			return part?.kind === 'line' && part.air;
		})
	);
