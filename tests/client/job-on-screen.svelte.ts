/** A job of the demo shop as a page shows it: real state, real core, a server that tests answer for. */
import { readFileSync } from 'node:fs';
import type { Answer } from '../../src/lib/client/api';
import { JobState } from '../../src/lib/client/job-state.svelte';
import { outbox } from '../../src/lib/client/outbox.svelte';
import type { JobRecord } from '../../src/core/job/model';

const limits = { setDeg: 2, advisedDeg: 5 };
/** The network is gone: entries stay on this screen. */
export const away: Answer<never> = { ok: false, refusal: { status: 0, title: 'No answer' } };

export const demoJob = (number: string): JobRecord =>
	(JSON.parse(readFileSync(`demo/jobs/${number}.json`, 'utf8')) as { job: JobRecord }).job;

export function jobOnScreen(number: string, change: (record: JobRecord) => void = () => {}) {
	localStorage.clear();
	outbox.entries = [];
	const first = demoJob(number);
	change(first);
	let record = $state.raw(first);
	const state = new JobState(
		() => record,
		() => limits,
		() => 'person-1',
		() => []
	);
	return {
		state,
		confirmed: first,
		/** The server tells of this now. */
		told: (next: JobRecord) => {
			record = next;
		},
		/** What was entered on this screen, oldest first. */
		entered: () =>
			outbox.accepted.map(
				({ body }) => body as unknown as { kind: string; subject: string; data: unknown }
			)
	};
}
