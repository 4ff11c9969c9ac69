import type { Corner } from '../../../height/corners.ts';
import type { SchoolKey } from '../../../height/schools.ts';

/** A change of the job's head; the subject names the field. */
export type Data =
	| { complaint: string }
	| { odometerKm: number | null; odometerEntered: string | null }
	| { corners: Corner[] }
	| { technicianId: string | null }
	| { school: SchoolKey }
	| { promisedAt: string | null }
	| { resetAboveMm: number; entered: string };
