/** Where and when a fact was written. */
export interface FactSite {
	jobId: string;
	vehicleId: string;
	/** Make and model. */
	model: string;
	modelYear: number | null;
	entryId: string;
	personId: string;
	enteredAt: string;
	storedAt: string;
}
