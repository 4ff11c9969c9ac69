import type { Axle, PerCorner } from './corners.ts';

/** How the body stands, from four heights. */
export interface Balance {
	/** Left minus right, mm, each axle. */
	leftMinusRightMm: Record<Axle, number>;
	/** Mean front minus mean rear, mm. Negative: nose down. */
	frontMinusRearMm: number;
	/**
	 * What no rigid body on a flat floor can show: a quarter of (FL + RR) − (FR + RL), mm. It speaks
	 * of body, floor or reading error.
	 */
	warpMm: number;
	sideVerdict: Record<Axle, SideVerdict>;
}

export type SideVerdict = 'even' | 'uneven' | 'needs-a-reason';

/** Side-to-side limits: common practice, no source. */
const sideLimitsMm = { even: 5, reason: 10 } as const;

export function balance(heightsMm: PerCorner<number>): Balance {
	const { FL, FR, RL, RR } = heightsMm;
	const leftMinusRightMm = { front: FL - FR, rear: RL - RR };
	return {
		leftMinusRightMm,
		frontMinusRearMm: (FL + FR - RL - RR) / 2,
		warpMm: (FL + RR - FR - RL) / 4,
		sideVerdict: {
			front: sideVerdict(leftMinusRightMm.front),
			rear: sideVerdict(leftMinusRightMm.rear)
		}
	};
}

/** Up to 5 mm is normal, over 10 mm needs a reason. */
export function sideVerdict(differenceMm: number): SideVerdict {
	const size = Math.abs(differenceMm);
	return size <= sideLimitsMm.even
		? 'even'
		: size <= sideLimitsMm.reason
			? 'uneven'
			: 'needs-a-reason';
}
