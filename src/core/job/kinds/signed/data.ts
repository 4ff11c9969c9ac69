/** Subject `car`. */
export interface Data {
	/** Written by a lead who signs with something still owed. */
	overrideReason: string | null;
	/** What was still owed, line by line. */
	owed: string[];
}
