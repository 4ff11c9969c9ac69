import type { JobHeader, Vehicle } from '../../model.ts';

/**
 * The job as it was opened, with the number that the shop which opened it gave it, the car as it was known
 * then and the shop's limits of that day.
 */
export type Data = Omit<JobHeader, 'id' | 'openedAt' | 'createdBy' | 'signedAt'> & {
	vehicle: Vehicle;
};
