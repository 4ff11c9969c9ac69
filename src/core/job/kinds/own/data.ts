import type { Own, OwnScope } from '../../../work/own.ts';

/** Subject an id of its own. */
export interface Data extends Own {
	for: OwnScope;
	/** What it was taken from, or corrects: something of an earlier job, or of another shop. */
	of?: string;
	removed?: boolean;
}
