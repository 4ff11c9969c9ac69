import type { CarState, LoadMethod } from '../../../procedure/facts.ts';

/** Subject the joint's id: passed over in the round, and why. */
export interface Data {
	action: number;
	reason: string;
	carState: CarState;
	method: LoadMethod | null;
	hubToArchMm: number | null;
	hubToArchEntered: string | null;
	/** Why a wrench had been taken all the same, where that was said before. */
	overrideReason: string | null;
}
