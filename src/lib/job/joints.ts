import type { LayoutJoint } from '../../core/layout/types.ts';
import type { Joint } from './model.ts';

/** What a layout says of a joint, as a job keeps it; nobody has said a torque yet. */
export const jointFromLayout = (joint: LayoutJoint): Omit<Joint, 'id' | 'corner' | 'position'> => ({
	name: joint.name,
	kind: joint.kind,
	rule: joint.rule,
	torqueNm: null,
	torqueEntered: null,
	torqueSource: null,
	oneTime: joint.oneTime,
	tool: joint.tool ?? 'run-down',
	holdStud: joint.holdStud ?? false,
	pairKey: joint.pair ? joint.key : null,
	note: joint.note ?? ''
});
