import type { ExtraState } from '../../extra-states.ts';

/** Subject an id of its own. */
export interface Data {
	/** What was found, and what is to be done about it. */
	what: string;
	state: ExtraState;
	/** Why the customer does not want it, or how they said so. */
	words: string;
	/** What it costs the customer, all of it, in the shop's currency; absent: not reckoned yet. */
	price?: number;
	/** What it takes, min. */
	minutes?: number;
	/** Done, where the plan has no step for it. */
	done?: boolean;
	removed?: boolean;
}
