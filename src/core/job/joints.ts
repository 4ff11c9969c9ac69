import type { ProgrammedJoint } from '../fastener/joint-programme.ts';
import { lubricatedTorque, type LubricatedTorque } from '../fastener/lubrication.ts';
import { plausibleTorque, type Plausibility } from '../fastener/plausibility.ts';
import type { LayoutJoint } from '../layout/types.ts';
import { axleOf, type Axle } from '../height/corners.ts';
import type { JointProgramme } from '../fastener/joint-programme.ts';
import type { Joint, JointThread } from './model.ts';

/** What a layout says of a joint, as a job keeps it; nobody has said a torque yet. */
export const jointFromLayout = (joint: LayoutJoint): Omit<Joint, 'id' | 'corner' | 'position'> => ({
	key: joint.key,
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
	programme: joint.programme ?? null,
	thread: null,
	place: joint.place,
	loosened: true,
	note: joint.note ?? ''
});

type Tightened = Pick<Joint, 'kind' | 'torqueNm' | 'programme' | 'thread'>;

/** The torque for a thread that is not as specified; undefined where it is, or where it cannot be said. */
export function lubricated({ torqueNm, thread }: Tightened): LubricatedTorque | undefined {
	if (torqueNm === null || !thread || thread.condition === 'as-specified') return undefined;
	const found = lubricatedTorque(thread, torqueNm, thread.condition);
	return found.ok ? found.value : undefined;
}

/** The joint as it is pulled: with the torque for its thread as that is. */
export function atWork<T extends Tightened>(joint: T): T & ProgrammedJoint {
	return { ...joint, torqueNm: lubricated(joint)?.torqueNm ?? joint.torqueNm };
}

/** Whether thread, class and torque belong together; undefined where one of them is not known. */
export function plausible({ torqueNm, thread }: Tightened): Plausibility | undefined {
	if (torqueNm === null || !thread) return undefined;
	const found = plausibleTorque({ ...thread, torqueNm });
	return found.ok ? found.value : undefined;
}

/** What was last specified for a joint of a car, or of another one of its model. */
export interface KnownSpecification {
	scope: 'car' | 'model';
	axle: Axle;
	layout: string;
	jointKey: string;
	torqueNm: number;
	entered: string;
	source: 'maker' | 'shop' | 'estimated';
	programme: JointProgramme | null;
	thread: JointThread | null;
	jobNumber: string;
	modelYear: number | null;
}

/** What was last specified for this joint in another job: of the car itself before its model. */
export function knownFor(
	{ key, corner }: Pick<Joint, 'key' | 'corner'>,
	layout: string,
	known: readonly KnownSpecification[],
	jobNumber: string
): KnownSpecification | undefined {
	const fits = known.filter(
		(one) =>
			one.jointKey === key &&
			one.axle === axleOf(corner) &&
			one.layout === layout &&
			one.jobNumber !== jobNumber
	);
	return fits.find(({ scope }) => scope === 'car') ?? fits[0];
}
