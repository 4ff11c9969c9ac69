/** Subject `car`. */
export type Data = Signature | FirstSignature;

interface Signature {
	/** What was still open when a lead signed all the same, each with the reason; empty: nothing was. */
	over: readonly OpenItem[];
}

/** Something that is signed over, in the words in which it was open. */
export interface OpenItem {
	item: string;
	reason: string;
}

/** Of before each open item had its reason. */
interface FirstSignature {
	overrideReason: string | null;
	owed: readonly string[];
}

/** What was signed over, whenever it was. */
export const signedOver = (data: Data): readonly OpenItem[] =>
	'over' in data
		? data.over
		: data.owed.map((item) => ({ item, reason: data.overrideReason ?? '' }));
