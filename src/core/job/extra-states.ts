/** What a customer has said of work that was found on the way. */

/** found: nobody has asked the customer yet. */
export const extraStates = ['found', 'told', 'agreed', 'declined'] as const;
export type ExtraState = (typeof extraStates)[number];

export const extraStateNames: Readonly<Record<ExtraState, string>> = {
	found: 'To be told',
	told: 'Told, no answer yet',
	agreed: 'Agreed',
	declined: 'Declined'
};
