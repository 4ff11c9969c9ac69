export type DecisionState = 'open' | 'accepted' | 'declined' | 'done';

/** Subject the recommendation's id. */
export interface Data {
	state: DecisionState;
	title: string;
	reason: string;
}
