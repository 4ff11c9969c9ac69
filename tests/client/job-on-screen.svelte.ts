/** A job of the demo shop as a page shows it: real state, real core, a server that tests answer for. */
import { metric } from '../../src/core/units/format';
import type { Entry } from '../../src/core/job/book/entry';
import { foldBook } from '../../src/core/job/book/fold';
import { demoFile } from '../../demo/jobs.testing';
import { checks, JobState, type LoadedJob } from '../../src/lib/client/job-state.svelte';
import { outbox } from '../../src/lib/client/outbox.svelte';
import { page } from './app';

// As a page that stands.
await checks.fetch();

/** Who is at this screen. */
export const person = { id: 'person-1', name: 'Person One', role: 'technician' } as const;

/** What a test says of who is signed in. */
const signedIn = () => (page.data as { person?: { role: 'technician' | 'lead' } }).person;

export function jobOnScreen(
	number: string,
	change: (job: LoadedJob & { entries: Entry[] }) => void = () => {}
) {
	localStorage.clear();
	outbox.entries = [];
	outbox.person = { ...person, ...signedIn() };
	const { job, people, entries } = demoFile(number);
	const first = {
		...job,
		entries,
		people: [...people.map((one) => ({ ...one, active: true })), { ...person, active: true }]
	};
	change(first);
	let loaded = $state.raw<LoadedJob>(first);
	const state = new JobState(
		() => loaded,
		() => ({ person: { ...person, ...signedIn() }, rack: [], timed: [], units: metric })
	);
	return {
		state,
		/** What the book comes to, without what is on its way. */
		confirmed: foldBook(first, first.entries),
		loaded: first as LoadedJob,
		/** The server tells of this now. */
		told: (next: LoadedJob) => {
			loaded = next;
		},
		/** What was entered on this screen, oldest first. */
		entered: () =>
			outbox.accepted.map(
				({ body }) => body as unknown as { kind: string; subject: string; data: unknown }
			)
	};
}

/** An entry that is there already, as the server has it. */
export const stored = (entries: Entry[], kind: Entry['kind'], subject: string, data: object) => {
	entries.push({
		seq: entries.length + 1,
		id: `stored-${entries.length}`,
		kind,
		subject,
		data,
		personId: entries[0]!.personId,
		device: null,
		enteredAt: '2026-11-24T09:00:00.000Z',
		storedAt: '2026-11-24T09:00:00.000Z',
		seen: entries.length,
		corrects: null,
		hash: ''
	} as unknown as Entry);
};
