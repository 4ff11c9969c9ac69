import type { KnowledgeScope } from '$core/work/shop-knowledge';

/** Whom something is kept for, as it is chosen. */
export const scopeNames: Readonly<Record<KnowledgeScope, string>> = {
	job: 'This job only',
	car: 'This car',
	model: 'All of this model',
	layout: 'All built like it'
};
