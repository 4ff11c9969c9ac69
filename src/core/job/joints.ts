import type { JointProgramme, ProgrammedJoint } from '../fastener/joint-programme.ts';
import { lubricatedTorque, type LubricatedTorque } from '../fastener/lubrication.ts';
import { plausibleTorque, type Plausibility } from '../fastener/plausibility.ts';
import { findLayout } from '../layout/registry.ts';
import type { LayoutJoint } from '../layout/types.ts';
import { axleOf, type Axle } from '../height/corners.ts';
import type { JobPurpose, Joint, JointThread, Vehicle } from './model.ts';
import type { JobRecord } from './record.ts';

/**
 * What a layout says of a joint, as a job keeps it; nobody has said a torque yet. Where a car is only
 * measured and its rubber set anew, nothing else is undone.
 */
export const jointFromLayout = (
	joint: LayoutJoint,
	purpose: JobPurpose = 'renew'
): Omit<Joint, 'id' | 'corner' | 'position'> => ({
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
	loosened: (purpose === 'renew' && !joint.seldom) || joint.rule === 'ride-height',
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
	/** Of the cars of a model: where years differ, so may the torque. Null: not known, or of the car itself. */
	modelYear: number | null;
}

/** So far apart two years of one model are still taken for the same suspension: common practice, no source. */
const sameModelYears = 4;

/**
 * What was last specified for this joint in another job: of the car itself, else of a car of its model whose
 * year is the nearest. Where the year of one of the two is not known, only where no other is near enough.
 */
export function knownFor(
	{ key, corner }: Pick<Joint, 'key' | 'corner'>,
	{ axles, modelYear }: Pick<Vehicle, 'axles' | 'modelYear'>,
	known: readonly KnownSpecification[],
	jobNumber: string
): KnownSpecification | undefined {
	const axle = axleOf(corner);
	const apart = (one: KnownSpecification) => {
		if (one.scope === 'car') return -1;
		if (modelYear === null || one.modelYear === null) return sameModelYears + 0.5;
		return Math.abs(modelYear - one.modelYear);
	};
	return known
		.filter(
			(one) =>
				one.jointKey === key &&
				one.axle === axle &&
				one.layout === axles[axle].layout &&
				one.jobNumber !== jobNumber &&
				apart(one) < sameModelYears + 1
		)
		.sort((a, b) => apart(a) - apart(b))[0];
}

/** Of all that is known, what can be offered for some joint of this car: one for each joint of an axle. */
export const nearestKnown = (
	vehicle: Pick<Vehicle, 'axles' | 'modelYear'>,
	known: readonly KnownSpecification[],
	jobNumber: string
): KnownSpecification[] =>
	known.filter(
		(one) =>
			knownFor(
				{ key: one.jointKey, corner: one.axle === 'front' ? 'FL' : 'RL' },
				vehicle,
				known,
				jobNumber
			) === one
	);

/** The same joint on the other side of its axle. */
export const twinOf = (
	joints: readonly Joint[],
	{ key, name, corner }: Pick<Joint, 'key' | 'name' | 'corner'>
): Joint | undefined =>
	joints.find(
		(one) =>
			(key === null ? one.name === name : one.key === key) &&
			one.corner !== corner &&
			one.corner[0] === corner[0]
	);

/** Joints of a job that want a torque and have none, with what is known of them from other jobs. */
export function knownTorques(
	{ joints, vehicle, number }: Pick<JobRecord, 'joints' | 'vehicle' | 'number'>,
	known: readonly KnownSpecification[]
): { joint: Joint; known: KnownSpecification }[] {
	return joints
		.filter(({ kind, torqueNm, loosened }) => loosened && torqueNm === null && kind !== 'cushion')
		.flatMap((joint) => {
			const found = knownFor(joint, vehicle, known, number);
			return found ? [{ joint, known: found }] : [];
		});
}

/** How many fasteners a joint has, each to its torque: as its programme says, else as its layout does. */
export function fastenersOf(
	{ key, corner, programme }: Pick<Joint, 'key' | 'corner' | 'programme'>,
	{ axles }: Pick<Vehicle, 'axles'>
): number {
	const layout = findLayout(axles[axleOf(corner)].layout);
	return (
		programme?.pattern?.fasteners ?? layout?.joints.find((one) => one.key === key)?.fasteners ?? 1
	);
}
