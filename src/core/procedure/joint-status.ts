import { formatNumber } from '../units/format.ts';
import type { JointFact, TorqueFact } from './facts.ts';

/**
 * open: nothing counts yet; nipped: hand-tight for the rubber's sake; again: tightened, but it does not
 * count; torqued / set: done (set = a bush at ride height).
 */
export type JointState = 'open' | 'nipped' | 'again' | 'torqued' | 'set';

export interface JointStatus {
	state: JointState;
	/** True while the job may not be signed because of this joint. */
	owed: boolean;
	/** What is missing, or what to know about it. */
	reason?: string;
}

/** A recorded torque may differ from the specified one by this share. Own choice: a wrench's 4 % and a reading. */
export const torqueTolerance = 0.05;

/** What the last torque that counts makes of a joint. */
export function jointStatus(joint: JointFact, last: TorqueFact | undefined): JointStatus {
	if (!last) return { state: 'open', owed: true, reason: owedReason(joint) };
	if (joint.rule === 'ride-height' && last.carState === 'hanging') {
		return {
			state: 'nipped',
			owed: true,
			reason: 'nipped while hanging: still to be set at ride height'
		};
	}
	const amount = amountFault(joint, last);
	if (amount) return { state: 'again', owed: true, reason: amount };
	if (joint.rule === 'ride-height') return bushStatus(last);
	if (joint.rule === 'wheels-on-ground' && last.method !== 'on-wheels') {
		return {
			state: 'nipped',
			owed: true,
			reason: 'tightened with the wheel off the ground: torque it on the ground'
		};
	}
	return { state: 'torqued', owed: false };
}

function owedReason(joint: JointFact): string {
	if (joint.rule === 'ride-height') return 'to be set at ride height';
	return joint.rule === 'wheels-on-ground' ? 'to be torqued on the ground' : 'to be torqued';
}

function amountFault(joint: JointFact, last: TorqueFact): string | undefined {
	if (joint.torqueNm === undefined || last.torqueNm === undefined) return undefined;
	const share = last.torqueNm / joint.torqueNm - 1;
	if (Math.abs(share) <= torqueTolerance) return undefined;
	const percent = formatNumber(Math.abs(share) * 100, 0);
	return share < 0
		? `recorded ${percent} % under its specified torque: finish it`
		: `recorded ${percent} % over its specified torque: slacken, look at the thread, tighten again`;
}

function bushStatus(last: TorqueFact): JointStatus {
	const twist = last.twistDeg === undefined ? '' : ` ${formatNumber(last.twistDeg, 1, true)}°`;
	switch (last.verdict) {
		case undefined:
			return {
				state: 'again',
				owed: true,
				reason: 'tightened loaded without a target to judge the height by'
			};
		case 'wound-up':
			return {
				state: 'again',
				owed: true,
				reason: `wound up${twist}: loosen, bring to height, tighten again`
			};
		case 're-set-advised':
			return { state: 'set', owed: false, reason: `keeps${twist} of twist: re-set advised` };
		case 'set':
			return { state: 'set', owed: false };
	}
}
