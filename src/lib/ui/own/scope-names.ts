import type { OwnScope } from '$core/work/own';

/** Whom something is kept for, as it is chosen. */
export const scopeNames: Readonly<Record<OwnScope, string>> = {
	job: 'This job only',
	car: 'This car',
	model: 'All of this model',
	layout: 'All built like it'
};
