/** Subject `car`: what the next one who works on this car should know. */
export interface Data {
	text: string;
	/** Takes the note back that it corrects. */
	withdrawn: boolean;
}
