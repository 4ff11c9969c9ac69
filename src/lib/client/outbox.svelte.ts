/**
 * Entries on their way to the server. Each is kept in the browser's database from the moment it is made until
 * the server has it: a reload, a dead battery or a dropped network loses nothing, and because every entry
 * carries its own id, sending it twice stores it once. An entry is its maker's: it waits until they are signed
 * in here again, or a lead vouches for it.
 */
import type { Entry as BookEntry } from '$core/job/book/entry';
import type { Role } from '$core/job/model';
import { createStore, del, entries as allKept, set } from 'idb-keyval';
import { isAway } from './away';
import { call, type Refusal } from './api';
import { taken } from './refresh';

/** Who is at this screen, and whose an entry is. */
interface Maker {
	id: string;
	name: string;
	role: Role;
}

export interface Entry {
	id: string;
	path: string;
	body: Record<string, unknown> & { id: string };
	/** Null: nobody was signed in; whoever says that it is theirs takes it. */
	by: Maker | null;
	/** A lead has vouched for it, and sends it in its maker's name. */
	vouched?: boolean;
	/** Said by the server: it will not take this entry as it is. */
	refusal?: Refusal;
	/** The server has it, and this page's data is about to show it. */
	sent?: boolean;
	/** What it became in the job's book. */
	became?: BookEntry[];
}

const retryMs = 3000;
/** Each entry has a key of its own, so that two tabs never write over each other. */
const store = createStore('vane-outbox', 'entries');

class Outbox {
	entries = $state<Entry[]>([]);
	/** Who is signed in here; nobody: nothing is sent. */
	person = $state.raw<Maker>();
	/** Said, and being kept: about to stand among the entries. */
	making = $state(0);
	/** What an earlier page left behind has been read. */
	opened = $state(false);
	/** Why the server takes nothing now, where it says so. */
	why = $state<string>();
	#sending = false;
	#timer: ReturnType<typeof setTimeout> | undefined;

	/** On their way: of whoever is signed in here. */
	get waiting(): Entry[] {
		return this.entries.filter((entry) => !entry.refusal && !entry.sent && this.#goes(entry));
	}

	/** Of somebody who is not signed in here: they wait. */
	get others(): Entry[] {
		return this.entries.filter((entry) => !entry.sent && !this.#goes(entry));
	}

	/** To be shown as if the page's data held them already. */
	get accepted(): Entry[] {
		return this.entries.filter((entry) => !entry.refusal && this.#goes(entry));
	}

	#goes({ by, vouched }: Entry): boolean {
		return this.person !== undefined && (vouched === true || by?.id === this.person.id);
	}

	/** Reads what an earlier page left behind, and sends what is this person's. Call once in the browser. */
	async open(): Promise<void> {
		let kept: [string, Entry][] = [];
		await quietly(async () => {
			kept = await allKept<string, Entry>(store);
		});
		const here = new Set(this.entries.map(({ id }) => id));
		// Ids are made in the order of the work.
		const found = kept.map(([, entry]) => entry).filter(({ id }) => !here.has(id));
		this.entries = [...found, ...this.entries].sort((a, b) => (a.id < b.id ? -1 : 1));
		this.opened = true;
		addEventListener('online', () => void this.send());
		void this.send();
	}

	/**
	 * Keeps the entry and sends it; resolves to what the server refused, if it did at once.
	 *
	 * @param soon resolves when it is kept and shown, and does not wait for the server
	 */
	async add(path: string, body: Entry['body'], soon = false): Promise<Refusal | undefined> {
		const entry: Entry = { id: body.id, path, body, by: this.person ?? null };
		// Kept before it is shown as kept: the page may be closed right then.
		this.making++;
		await keep(entry);
		this.making--;
		this.entries.push(entry);
		const sent = this.send();
		if (soon) return undefined;
		await sent;
		return this.entries.find((one) => one.id === body.id)?.refusal;
	}

	drop(id: string): void {
		this.entries = this.entries.filter((entry) => entry.id !== id);
		void letGo(id);
	}

	/** A lead says in their own name that it was made so; or somebody says that it is theirs. */
	async vouch(id: string): Promise<void> {
		const entry = this.entries.find((one) => one.id === id);
		if (!entry || !this.person) return;
		if (entry.by === null) entry.by = this.person;
		else entry.vouched = true;
		entry.refusal = undefined;
		await keep(entry);
		await this.send();
	}

	async send(): Promise<void> {
		if (this.#sending) return;
		this.#sending = true;
		clearTimeout(this.#timer);
		for (let entry = this.waiting[0]; entry; entry = this.waiting[0]) {
			const { body, by, vouched } = entry;
			const answer = await call<{ entries?: BookEntry[] }>('POST', entry.path, {
				...body,
				personId: by!.id,
				...(vouched && { vouched })
			});
			this.why = answer.ok ? undefined : waitsFor[answer.refusal.status];
			if (answer.ok) {
				entry.sent = true;
				entry.became = answer.value?.entries ?? [];
				await letGo(entry.id);
				continue;
			}
			if (isAway(answer.refusal)) {
				this.#later();
				break;
			}
			entry.refusal = answer.refusal;
			await keep(entry);
		}
		this.#sending = false;
		const sent = this.entries.filter((entry) => entry.sent);
		if (sent.length === 0) return;
		// Let go only when the page's data show them: in between they would be nowhere. The answers hold what
		// they became, so nothing is asked for.
		for (const { path, became } of sent) {
			if (!(await taken(path.split('/')[2] ?? '', became ?? []))) return this.#later();
		}
		const ids = sent.map(({ id }) => id);
		this.entries = this.entries.filter(({ id }) => !ids.includes(id));
	}

	#later(): void {
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.send(), retryMs);
	}
}

/** What a server says that it has to wait for, in a word. */
const waitsFor: Readonly<Record<number, string>> = {
	503: 'the server’s database does not answer',
	507: 'the server’s disk is full'
};

async function keep(entry: Entry): Promise<void> {
	await quietly(() => set(entry.id, $state.snapshot(entry), store));
}

const letGo = (id: string): Promise<void> => quietly(() => del(id, store));

/** No room, or no database: the entry is on this page still, and is sent all the same. */
async function quietly(work: () => Promise<void>): Promise<void> {
	try {
		await work();
	} catch {
		// Nothing is lost by it while the page lives.
	}
}

export const outbox = new Outbox();
