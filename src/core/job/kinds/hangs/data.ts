/** Subject the corner: it was let down after a look at it while it was loaded. */
export interface Data {
	/** The look that no longer holds. */
	loadingId: string;
}
