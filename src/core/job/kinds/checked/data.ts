/** What is seen again once the car stands: a drive, the paint marks. */
export const checks = ['drive', 'marks'] as const;
export type Check = (typeof checks)[number];

/** Subject the check. */
export interface Data {
	/** open: taken back; the next word counts. */
	state: 'good' | 'bad' | 'open';
	/** What was heard, felt or seen; at least where it is not good. */
	words: string;
	/** Of a drive: how far, on what road, at which speed. */
	at: string;
}
