import type { Knowledge, KnowledgeScope } from '../../../work/shop-knowledge.ts';

/** Subject an id of its own. */
export interface Data extends Knowledge {
	for: KnowledgeScope;
	/** What it was taken from, or corrects: something of an earlier job, or of another shop. */
	of?: string;
	removed?: boolean;
}
