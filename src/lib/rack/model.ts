/** The shop's torque wrenches as they travel between database and pages. */
import type { RackWrench } from '../../core/fastener/rack.ts';

export interface ShopWrench extends RackWrench {
	retired: boolean;
	/** Range and length as they were typed, by field name. */
	entered: Record<string, string>;
	version: number;
}

/** One calibration: what was set and what the reference read. */
export interface Calibration {
	id: string;
	wrenchId: string;
	/** YYYY-MM-DD */
	calibratedOn: string;
	readings: { setNm: number; readNm: number }[];
	passed: boolean;
	note: string;
	personId: string;
}
