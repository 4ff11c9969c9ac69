/** Wheel fasteners are checked again after this distance: common practice, no source. */
export const retorqueAfterKm = { from: 50, to: 100 } as const;
/** When to expect the car back where only a date can be set: own choice. */
const retorqueAfterDays = 7;

/** When the wheels of a signed job are to be checked. */
export interface RetorqueDue {
	/** Odometer readings, where the job has one. */
	fromKm?: number;
	toKm?: number;
	/** Days from signing. */
	days: number;
}

/** @param odometerKm when the wheels were torqued, if it was read */
export function retorqueDue(odometerKm: number | undefined): RetorqueDue {
	const { from, to } = retorqueAfterKm;
	return {
		...(odometerKm !== undefined && { fromKm: odometerKm + from, toKm: odometerKm + to }),
		days: retorqueAfterDays
	};
}
