/**
 * The job on this screen: the server's book with what is still on its way on top, decided by the same
 * rules as on the server, and what the core makes of both.
 */
import type { TwistLimits } from '$core/bush/verdict';
import type { Corner } from '$core/height/corners';
import type { readCommand } from '$core/job/book/command';
import type { Context, Entry } from '$core/job/book/entry';
import { Job } from '$core/job/book/job';
import type { KindData, KindName } from '$core/job/kinds/data';
import { kindOf } from '$core/job/kinds/index';
import type { Role } from '$core/job/model';
import type { JobRecord } from '$core/job/record';
import { nextOf, type Next } from '$core/job/way';
import type { JobView } from '$core/job/view';
import type { WorkView } from '$core/job/work';
import { invalid, type Problem } from '$core/problem';
import type { RackWrench } from '$core/fastener/rack';
import type { UnitChoice } from '$core/units/format';
import type { TimedKind } from '$core/work/minutes';
import { getContext, setContext } from 'svelte';
import { v7 as uuidv7 } from 'uuid';
import { fetchLayouts, layoutsIn } from './layouts';
import { call, rightNow, type Refusal } from './api';
import { thisDevice } from './device';
import { outbox } from './outbox.svelte';

const key = Symbol('job');

/** A job as a page loads it. */
export interface LoadedJob {
	id: string;
	number: string;
	entries: readonly Entry[];
	people: readonly { id: string; name: string; role: Role; active: boolean }[];
}

/** What is known at this screen beside the job. */
export interface Surroundings {
	person: { id: string; name: string; role: Role };
	rack: readonly RackWrench[];
	timed: readonly TimedKind[];
	units: UnitChoice;
	/** The shop's order of the corners; absent: round the car. */
	walk?: readonly Corner[];
}

/** More of what is said. */
export interface EntryOptions {
	corrects?: string;
	/** An earlier entry that is to count again. */
	again?: string;
	/** What the server refuses stays in the outbox for a look, instead of being given back to a form. */
	stays?: boolean;
	/**
	 * Of a form that is free for the next one as soon as what it said is kept and shown here: nobody's next
	 * words are taken by an answer that comes late. It is checked here first; what the server still refuses stays
	 * in the outbox.
	 */
	soon?: boolean;
	/** Last entry that the person had seen; left out: the last one here. */
	seen?: number;
}

/** A problem of the core's as the server's would be shown. */
const shown = ({ status, message: title, faults, extra }: Problem): Refusal => ({
	...extra,
	status,
	title,
	faults
});

/**
 * What reads and checks what is said. Its schemas and their library are a good part of the script and nothing
 * that is drawn needs them: they are fetched when the page stands, or when something is said.
 */
class Checks {
	read = $state.raw<typeof readCommand>();

	/** Of what is said before they came, the server is the first to check. */
	async fetch(): Promise<void> {
		await import('$core/job/book/command').then(
			({ readCommand }) => (this.read = readCommand),
			() => {}
		);
	}
}

export const checks = new Checks();

export class JobState {
	/** Counts up when a device has sent something for this job, or may have. */
	heard = $state(0);
	/** The longest book of it that this screen has had. */
	#longest = $state.raw<Pick<LoadedJob, 'id' | 'entries'>>();
	/** As the page was loaded, and what came since. A load that was overtaken takes nothing away: books only grow. */
	readonly #confirmed: LoadedJob;
	readonly #around: () => Surroundings;

	constructor(loaded: () => LoadedJob, around: () => Surroundings) {
		this.#confirmed = $derived.by(() => {
			const now = loaded();
			const longest = this.#longest;
			return longest?.id === now.id && longest.entries.length > now.entries.length
				? { ...now, entries: longest.entries }
				: now;
		});
		this.#around = around;
	}

	/** Ids of entries that the server has not confirmed. */
	readonly unsent: readonly string[] = $derived(outbox.waiting.map(({ id }) => id));

	readonly #own: Job = $derived.by(() => {
		const { id, number, people, entries } = this.#confirmed;
		return new Job({ id, number, people }, entries, this.#around().timed);
	});

	readonly #job: Job = $derived.by(() => {
		let job = this.#own;
		const read = checks.read;
		if (!read) return job;
		for (const { path, body, by } of outbox.accepted) {
			if (path !== this.#path || this.#own.entries.some(({ id }) => id === body.id)) continue;
			const decided = this.#decided(read, job, body, by ?? undefined);
			if (decided.ok) job = job.apply(...decided.entries);
		}
		return job;
	});

	get #path(): string {
		return `/jobs/${this.#confirmed.id}/entries`;
	}

	/** With all that it comes to. */
	get job(): Job {
		return this.#job;
	}

	readonly record: JobRecord = $derived(this.#job.record);

	readonly view: JobView = $derived(this.#job.view);

	readonly work: WorkView = $derived(this.#job.work);

	/** The one thing that comes next. */
	readonly next: Next = $derived.by(() => this.nextWhere());

	/** @param unlooked for whoever goes on without looking the car over */
	nextWhere(unlooked = false): Next {
		const { walk } = this.#around();
		return nextOf(this.record, this.view, this.work, { unlooked, ...(walk && { walk }) });
	}

	get limits(): TwistLimits {
		return this.record.limits;
	}

	/** Number of the last entry of the server's that is here. */
	get seq(): number {
		return this.#confirmed.entries.at(-1)?.seq ?? 0;
	}

	/** What the rules make of a command here and now, before the server has numbered it. */
	#decided(
		readIt: typeof readCommand,
		job: Job,
		given: unknown,
		by?: Surroundings['person']
	): { ok: true; entries: Entry[] } | { ok: false; refusal: Refusal } {
		const { person, rack, units } = this.#around();
		const read = readIt(given, { units, now: Date.now() });
		if (!read.ok) return { ok: false, refusal: shown(invalid(read.faults)) };
		const { device = null, personId: _, vouched: __, ...command } = read.value;
		const context: Context = {
			who: by ?? person,
			device,
			key: uuidv7,
			rack,
			people: this.#confirmed.people
		};
		const decision = job.decide(command, context);
		if (!decision.ok) return { ok: false, refusal: shown(decision.problem) };
		const storedAt = command.enteredAt;
		const entries = decision.entries.map(
			(entry, i) => ({ ...entry, seq: job.record.seq + i + 1, storedAt, hash: '' }) as Entry
		);
		return { ok: true, entries };
	}

	/** Why it would not be taken here and now, by the rules, as far as they can be checked yet; nothing is said. */
	refused(kind: KindName, subject: string, data: object): Refusal | undefined {
		if (!checks.read) return undefined;
		const here = this.#decided(checks.read, this.#job, this.#command(kind, subject, data));
		return here.ok ? undefined : here.refusal;
	}

	#command(kind: KindName, subject: string, data: object | undefined) {
		return {
			id: uuidv7(),
			kind,
			subject,
			...(data && { data: $state.snapshot(data) }),
			enteredAt: rightNow(),
			device: thisDevice()
		};
	}

	/**
	 * Says something of the job: kept here at once, on its way to the server, shown as if it was there.
	 *
	 * @param data as said: quantities as they were typed
	 * @returns why it is not taken, by the rules here or by the server at once
	 */
	async tell(
		kind: KindName,
		subject: string,
		data: object | undefined,
		{ stays = false, soon = false, seen = this.seq, ...more }: EntryOptions = {}
	): Promise<Refusal | undefined> {
		const body = { ...this.#command(kind, subject, data), ...more, seen };
		// A form that is given up at once has been checked; until then it stands, with its draft.
		if (soon && !checks.read) await checks.fetch();
		// Nothing else that is said waits for the checks to be fetched: it is kept at once, and the server checks it.
		if (!checks.read) void checks.fetch();
		else {
			const here = this.#decided(checks.read, this.#job, body);
			if (!here.ok) return here.refusal;
		}
		const refusal = await outbox.add(this.#path, body, soon && checks.read !== undefined);
		if (refusal && !stays) outbox.drop(body.id);
		// Refused for what is on record since: shown at once, not when it is told or asked for next.
		if (refusal?.status === 409) void this.reload();
		return refusal;
	}

	/** Keeps the data of a kind as they are: for kinds that are said as they are kept. */
	keep<K extends KindName>(
		kind: K,
		subject: string,
		data: KindData[K],
		options?: EntryOptions
	): Promise<Refusal | undefined> {
		return this.tell(kind, subject, data as object, options);
	}

	/**
	 * Entries that the server tells of: taken where they follow what is here, else asked for.
	 * @returns false when the server did not answer
	 */
	async take(entries: readonly Entry[]): Promise<boolean> {
		const more = entries.filter(({ seq }) => seq > this.seq);
		if (more.length === 0) return true;
		if (more[0]!.seq !== this.seq + 1) return this.reload();
		return this.#add(more);
	}

	/** Asks for what came after the last entry here. @returns true when the server answered */
	async reload(): Promise<boolean> {
		const { id } = this.#confirmed;
		const answer = await call<{ entries: Entry[] }>('GET', `/jobs/${id}/entries?after=${this.seq}`);
		if (!answer.ok || id !== this.#confirmed.id) return answer.ok;
		return this.#add(answer.value.entries);
	}

	/** @returns false when a layout they speak of could not be fetched: they are asked for again */
	async #add(entries: readonly Entry[]): Promise<boolean> {
		const { id } = this.#confirmed;
		const fetched = await fetchLayouts(layoutsIn(entries)).then(
			() => true,
			() => false
		);
		if (!fetched) return false;
		const more = entries.filter(({ seq }) => seq > this.seq);
		if (more.length > 0 && id === this.#confirmed.id)
			this.#longest = { id, entries: [...this.#confirmed.entries, ...more] };
		return true;
	}

	personName(id: string): string {
		return this.#confirmed.people.find((person) => person.id === id)?.name ?? '';
	}

	/** One entry as a sentence. */
	words(entry: Entry): string {
		return kindOf(entry.kind).words(entry.data, entry, this.record);
	}
}

/**
 * A form that says something: busy while it is on its way, and why it was not taken. Whoever fills it in
 * knows the job as it was when the form was opened.
 */
export class EntryInput {
	refusal = $state<Refusal>();
	busy = $state(false);
	readonly #job: JobState;
	#seen: number;

	constructor(job: JobState) {
		this.#job = job;
		this.#seen = job.seq;
	}

	/** The form is opened, with the job as it is now. */
	begin(): void {
		this.#seen = this.#job.seq;
		this.refusal = undefined;
	}

	/** @returns true when it was taken */
	async send(
		kind: KindName,
		subject: string,
		data: object,
		options: EntryOptions = {}
	): Promise<boolean> {
		this.busy = true;
		this.refusal = await this.#job.tell(kind, subject, data, { seen: this.#seen, ...options });
		this.busy = false;
		return this.refusal === undefined;
	}
}

export const provideJob = (state: JobState): JobState => setContext(key, state);
export const currentJob = (): JobState => getContext<JobState>(key);
