import type { Corner } from '../../../height/corners.ts';
import type { SchoolKey } from '../../../height/schools.ts';

export const subjects = [
	'complaint',
	'odometer',
	'corners',
	'technician',
	'school',
	'reset-above',
	'promised'
] as const;

/** A change of the job's head; the subject names the field. */
export type Data =
	| { complaint: string }
	| { odometerKm: number | null; odometerEntered: string | null }
	| { corners: Corner[] }
	| { technicianId: string | null }
	| { school: SchoolKey }
	| { promisedAt: string | null }
	| { resetAboveMm: number; entered: string };
