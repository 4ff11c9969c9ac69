/** What oil or anti-seize on a thread does to its torque. */
import { ok, type Result } from '../result.ts';
import { torqueAtFriction } from './bolt.ts';
import { usualHeadShare, type PropertyClass, type Thread } from './thread.ts';

/** A thread and the class of its screw, as stamped. */
export interface ThreadSpec extends Thread {
	propertyClass: PropertyClass;
}

export const threadConditions = ['as-specified', 'oil', 'anti-seize'] as const;
export type ThreadCondition = (typeof threadConditions)[number];

export const threadConditionNames: Readonly<Record<ThreadCondition, string>> = {
	'as-specified': 'As specified',
	oil: 'Oiled',
	'anti-seize': 'Anti-seize'
};

/**
 * Coefficients of friction, thread and head alike: within the bands of VDI 2230-1, table A5 (from
 * memory: untreated and dry about 0.12 to 0.18, oiled 0.08 to 0.16, with solid lubricant 0.06 to 0.12).
 * The values inside the bands are our own choice.
 */
export const friction: Readonly<Record<ThreadCondition, number>> = {
	'as-specified': 0.14,
	oil: 0.11,
	'anti-seize': 0.09
};

export interface LubricatedTorque {
	torqueNm: number;
	/** New torque over the specified one. */
	share: number;
	/** Clamp that both torques give, N. */
	clampN: number;
}

/** The torque that gives a thread in this condition the clamp its specified, dry torque was meant to. */
export function lubricatedTorque(
	thread: ThreadSpec,
	torqueNm: number,
	condition: ThreadCondition
): Result<LubricatedTorque> {
	const dry = friction['as-specified'];
	const wet = friction[condition];
	const found = torqueAtFriction(
		{
			...thread,
			frictionThread: dry,
			frictionHead: dry,
			meanHeadDiameterMm: usualHeadShare * thread.diameterMm,
			torqueNm
		},
		wet,
		wet
	);
	return found.ok ? ok(found.value) : found;
}
