import type { JointState } from '$core/procedure/joint-status';
import type { Mark } from '$lib/ui/status/StateMark.svelte';

/** Shape and word of each state of a joint. */
export const jointMarks: Readonly<Record<JointState, { mark: Mark; word: string }>> = {
	untouched: { mark: 'note', word: 'not undone' },
	open: { mark: 'owed', word: 'open' },
	begun: { mark: 'nipped', word: 'begun' },
	nipped: { mark: 'nipped', word: 'nipped' },
	again: { mark: 'again', word: 'again' },
	torqued: { mark: 'done', word: 'torqued' },
	set: { mark: 'set', word: 'set' }
};
