/** What an operation is, as data. */
import type { DoneIn, Gate, Minutes, WorkPhase } from '../terms.ts';

/** What is counted one by one, as a step names it: joints and links apart, covers off, parts held. */
export type Each =
	| 'joints'
	| 'frees'
	| 'slack'
	| 'under'
	| 'covers'
	| 'above'
	| 'held'
	| 'link'
	| 'linkBefore'
	| 'core'
	| 'below';

/** What must be so while an operation is done, and why. What nothing in a job makes so is so already. */
export interface Need {
	fact: string;
	/** One for each of these of the step; absent: whatever makes it so at the step's place. */
	each?: Each;
	/** Where else than at the step's own place. */
	at?: 'axle' | 'car';
	/** Only where rubber is set so. */
	when?: 'jack-to-height' | 'on-wheels';
	words: string;
}

/** What becomes so, or is so no more. */
export interface Effect {
	fact: string;
	each?: Each;
}

export interface OperationData {
	phase: WorkPhase;
	title: string;
	minutes: Minutes;
	/** Rust makes it longer. */
	rusts?: boolean;
	/** The same on the second side of an axle takes about half the time. */
	repeats?: boolean;
	tool?: string;
	caution?: string;
	/** Said besides where the wheel is driven. */
	drivenCaution?: string;
	gate?: Gate;
	doneIn?: DoneIn;
	/** What must be so while it is done. */
	needs?: readonly Need[];
	/** What is so from then on. */
	makes?: readonly Effect[];
	/** What is so no more. */
	ends?: readonly Effect[];
	/** What stands about, under load or in the air, from this step until another is done. */
	leaves?: { hazard: string; until: string | readonly string[] };
}
