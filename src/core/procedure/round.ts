/** The order of tightening: rigid joints, load, rubber, wheels on the ground. */
import { axleOf, corners, isLeft, type Corner } from '../height/corners.ts';
import { actionsOf } from '../fastener/joint-programme.ts';
import type { JointFact } from './facts.ts';
import type { JobStanding } from './owed.ts';

export const roundPhases = ['rigid', 'load', 'rubber', 'ground'] as const;
export type RoundPhase = (typeof roundPhases)[number];

export const roundPhaseNames: Readonly<Record<RoundPhase, string>> = {
	rigid: 'Rigid and any time',
	load: 'Load the corner',
	rubber: 'Rubber, at ride height',
	ground: 'Wheels, on the ground'
};

/** One thing to do: an action of a joint, or a corner to be brought to its height. */
export type RoundStop =
	| { phase: Exclude<RoundPhase, 'load'>; corner: Corner; jointId: string; action: number }
	| { phase: 'load'; corner: Corner };

/** What of the round: everything, one side of the car where two people work, or one corner. */
export const roundParts = ['all', 'left', 'right', ...corners] as const;
export type RoundPart = (typeof roundParts)[number];

/** Whether something at a corner belongs to a part of the round. */
export function stopIn({ corner }: { corner: Corner }, part: RoundPart): boolean {
	if (part === 'all' || part === corner) return true;
	return part === 'left' ? isLeft(corner) : part === 'right' && !isLeft(corner);
}

const phaseOf = (joint: JointFact): Exclude<RoundPhase, 'load'> => {
	if (joint.rule === 'any-time') return 'rigid';
	return joint.rule === 'ride-height' ? 'rubber' : 'ground';
};

/**
 * Every stop of the round, in order. Rigid joints go axle by axle, a pair on both sides one after the
 * other; a corner is loaded right before its rubber; wheels come last.
 *
 * @param joints in the order of their layout at each corner
 */
export function roundStops(joints: readonly JointFact[], part: RoundPart = 'all'): RoundStop[] {
	const here = joints.filter((joint) => stopIn(joint, part));
	const inPhase = (phase: RoundPhase) => here.filter((joint) => phaseOf(joint) === phase);
	const stops: RoundStop[] = [];
	const taken = new Set<string>();
	const take = (joint: JointFact) => {
		if (taken.has(joint.id)) return;
		taken.add(joint.id);
		for (const action of actionsOf(joint).keys()) {
			stops.push({ phase: phaseOf(joint), corner: joint.corner, jointId: joint.id, action });
		}
	};
	for (const corner of corners) {
		for (const joint of inPhase('rigid').filter((one) => one.corner === corner)) {
			take(joint);
			const pair =
				joint.pairKey &&
				inPhase('rigid').find(
					(other) =>
						other.pairKey === joint.pairKey &&
						other.corner !== corner &&
						axleOf(other.corner) === axleOf(corner)
				);
			if (pair) take(pair);
		}
	}
	for (const corner of corners) {
		const rubber = inPhase('rubber').filter((joint) => joint.corner === corner);
		if (rubber.length) stops.push({ phase: 'load', corner });
		rubber.forEach(take);
	}
	inPhase('ground').forEach(take);
	return stops;
}

/** Whether a stop is behind us. A load stop is, once its corner owes no rubber. */
export function stopDone(
	stop: RoundStop,
	standing: Pick<JobStanding, 'joints'>,
	joints: readonly JointFact[]
): boolean {
	if (stop.phase === 'load') {
		return joints
			.filter((joint) => joint.corner === stop.corner && joint.rule === 'ride-height')
			.every((joint) => !standing.joints.get(joint.id)!.owed);
	}
	const status = standing.joints.get(stop.jointId)!;
	if (!status.owed) return true;
	return status.state === 'begun' && stop.action < status.next;
}
