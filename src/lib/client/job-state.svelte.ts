/**
 * The job on this screen: the server's record, with the readings on top that are still on their way, and
 * what the core makes of both.
 */
import type { TwistLimits } from '$core/bush/verdict';
import { parseQuantity } from '$core/units/parse';
import type { JobRecord, Reading } from '$lib/job/model';
import { viewJob, type JobView } from '$lib/job/view';
import { getContext, setContext } from 'svelte';
import { call } from './api';
import { outbox } from './outbox.svelte';

const key = Symbol('job');

export class JobState {
	/** As the page was loaded, until it is loaded again. */
	#confirmed: JobRecord;
	readonly #limits: () => TwistLimits;
	readonly #personId: () => string;

	constructor(record: () => JobRecord, limits: () => TwistLimits, personId: () => string) {
		this.#confirmed = $derived(record());
		this.#limits = limits;
		this.#personId = personId;
	}

	/** Ids of entries that the server has not confirmed. */
	readonly unsent: readonly string[] = $derived(outbox.waiting.map((entry) => entry.id));

	readonly record: JobRecord = $derived.by(() => {
		const record = this.#confirmed;
		const known = record.readings.map((reading) => reading.id);
		const path = `/jobs/${record.id}/readings`;
		const added = outbox.accepted
			.filter((entry) => entry.path === path && !known.includes(entry.id))
			.map((entry) => toReading(entry.body, this.#personId()));
		return added.length ? { ...record, readings: [...record.readings, ...added] } : record;
	});

	readonly view: JobView = $derived(viewJob(this.record));

	/** Asks the server again; while it is away the record stays as it is known. @returns true when it answered */
	async reload(): Promise<boolean> {
		const answer = await call<JobRecord>('GET', `/jobs/${this.#confirmed.id}`);
		if (answer.ok && answer.value.id === this.#confirmed.id) this.#confirmed = answer.value;
		return answer.ok;
	}

	get limits(): TwistLimits {
		return this.#limits();
	}

	personName(id: string): string {
		return this.record.people.find((person) => person.id === id)?.name ?? '';
	}
}

function toReading(body: Record<string, unknown>, personId: string): Reading {
	const text = String(body.height ?? '');
	const parsed = parseQuantity(text, 'length', { field: 'height' });
	return {
		id: body.id as string,
		phase: body.phase as Reading['phase'],
		corner: body.corner as Reading['corner'],
		school: body.school as Reading['school'],
		heightMm: parsed.ok ? parsed.value.si : null,
		entered: text || 'withdrawn',
		correctsId: (body.correctsId as string | undefined) ?? null,
		withdrawn: body.withdraw === true,
		personId,
		takenAt: body.takenAt as string
	};
}

export const provideJob = (state: JobState): JobState => setContext(key, state);
export const currentJob = (): JobState => getContext<JobState>(key);
