/** Subject the corner as it came, or `FL/after` once the work is done. The count by eye and a trace are kept beside each other. */
export interface Data {
	/** Null: not counted, or taken back. */
	movements: number | null;
	/** Of critical, read from a trace, with the half-width of its band. */
	dampingRatio?: number;
	expanded?: number;
}
