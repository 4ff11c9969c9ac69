import type { PersonalUnits } from '../../units/personal.ts';
import type { Job } from '../book/job.ts';

/** What a sheet is drawn from. */
export interface Drawing {
	job: Job;
	units: PersonalUnits;
	/** A person's name by their id. */
	name: (id: string) => string;
	/** A moment as it is read in the shop, with its year; in tables without. */
	moment: (at: string) => string;
	short: (at: string) => string;
}
