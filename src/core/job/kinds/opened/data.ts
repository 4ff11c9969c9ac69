import type { TwistLimits } from '../../../bush/verdict.ts';
import type { Corner } from '../../../height/corners.ts';
import type { SchoolKey } from '../../../height/schools.ts';
import type { Vehicle } from '../../model.ts';

/** The job as it was opened, with the car as it was known then and the shop's limits of that day. */
export interface Data {
	/** As the shop that opened it gave it. */
	number: string;
	vehicle: Vehicle;
	complaint: string;
	odometerKm: number | null;
	odometerEntered: string | null;
	corners: Corner[];
	technicianId: string | null;
	school: SchoolKey;
	/** A change of height above this owes every bonded bush of the corner a re-set, mm. */
	resetAboveMm: number;
	limits: TwistLimits;
}
