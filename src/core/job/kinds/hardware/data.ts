import type { HardwareOutcome } from '../../../fastener/hardware.ts';

/** Subject the joint's id. Null: nothing is said of that piece. */
export interface Data {
	fastener: HardwareOutcome | null;
	pin: HardwareOutcome | null;
}
