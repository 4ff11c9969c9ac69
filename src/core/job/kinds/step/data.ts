/** Subject the step's id. */
export interface Data {
	state: 'started' | 'done' | 'open';
	note: string;
	/** Why a lead let it be done before its time. */
	overrideReason?: string;
	/** From its start, and what had been expected; set when it is done. */
	tookMin?: number;
	expectedMin?: number;
}
