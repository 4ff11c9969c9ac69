/** Subject `car`: all entries before this one came from elsewhere. */
export interface Data {
	/** The shop that sealed it, by the name it has here; null: not known. */
	from: string | null;
	/** Sealed by a shop that is known here, and unchanged since. */
	verified: boolean;
	/** The key it was sealed with, if it was; and the head that came. */
	keyId: string | null;
	head: string;
}
