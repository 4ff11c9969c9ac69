/** What went wrong with which value, in words for the person who typed it. */
export interface Fault {
	/** Name of the input field, or a path such as `bush.lengthMm`. */
	field: string;
	/** Says what is wrong with the value and what would be right. */
	message: string;
	/** The value as it was given. */
	value?: unknown;
}

/** Outcome of a computation that a person's input can make impossible. */
export type Result<T> = { ok: true; value: T } | { ok: false; faults: Fault[] };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });
export const faulty = (...faults: Fault[]): { ok: false; faults: Fault[] } => ({
	ok: false,
	faults
});
