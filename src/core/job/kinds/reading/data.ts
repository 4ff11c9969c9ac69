import type { SchoolKey } from '../../../height/schools.ts';
import type { Phase } from '../../model.ts';

/** Subject the corner. */
export interface Data {
	phase: Phase;
	school: SchoolKey;
	/** Null in an entry that withdraws another. */
	heightMm: number | null;
	entered: string;
	/** Rolled and settled anew for each; absent: the first. */
	standing?: number;
	withdrawn: boolean;
}
