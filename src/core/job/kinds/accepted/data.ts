/** Subject the joint's id: a bush outside its band, taken as it is by whoever says so. */
export interface Data {
	/** The torque it was tightened by; another torque wants another look. */
	torqueId: string;
	reason: string;
	/** What it costs, as the computation said when it was tightened. */
	twistDeg: number;
	heightErrorMm: number;
}
