import type { Vehicle } from '../../model.ts';

/** The car as it is known from here on: it was measured or corrected while the job was open. */
export interface Data {
	vehicle: Vehicle;
}
