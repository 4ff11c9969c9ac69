import type { LoadMethod } from '../../../procedure/facts.ts';

/** Subject the corner. */
export interface Data {
	method: LoadMethod;
	hubToArchMm: number;
	entered: string;
	/** At the opposite corner, before the jack took weight and now. */
	oppositeBeforeMm: number | null;
	oppositeNowMm: number | null;
	/** The device's reading it was made from. */
	deviceReadingId: string | null;
}
