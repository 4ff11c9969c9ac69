/**
 * Entries on their way to the server. Each is kept in the browser from the moment it is made until the
 * server has it: a reload, a dead battery or a dropped network loses nothing, and because every entry
 * carries its own id, sending it twice stores it once.
 */
import type { Entry as BookEntry } from '$core/job/book/entry';
import { call, type Refusal } from './api';
import { ofToday } from './outbox-before';
import { taken } from './refresh';

export interface Entry {
	id: string;
	path: string;
	body: Record<string, unknown> & { id: string };
	/** Said by the server: it will not take this entry as it is. */
	refusal?: Refusal;
	/** The server has it, and this page's data is about to show it. */
	sent?: boolean;
	/** What it became in the job's book. */
	became?: BookEntry[];
}

/** Each entry has a key of its own in the browser, so that two tabs never write over each other. */
const keyOf = (id: string) => `vane-outbox:${id}`;
const isKey = (key: string) => key.startsWith(keyOf(''));
/** Where all of them stood in one list before. */
const listKey = 'vane-outbox';
const retryMs = 3000;

class Outbox {
	entries = $state<Entry[]>([]);
	#sending = false;
	#timer: ReturnType<typeof setTimeout> | undefined;

	/** Not known to be on the server yet. */
	get waiting(): Entry[] {
		return this.entries.filter((entry) => !entry.refusal && !entry.sent);
	}

	/** To be shown as if the page's data held them already. */
	get accepted(): Entry[] {
		return this.entries.filter((entry) => !entry.refusal);
	}

	/** Reads what an earlier page left behind, and sends it. Call once in the browser. */
	open(): void {
		for (const entry of readable<Entry[]>(localStorage.getItem(listKey)) ?? [])
			keep(ofToday(entry));
		localStorage.removeItem(listKey);
		// Ids are made in the order of the work.
		this.entries = Object.keys(localStorage)
			.filter(isKey)
			.sort()
			.flatMap((key) => readable<Entry>(localStorage.getItem(key)) ?? []);
		addEventListener('online', () => void this.send());
		void this.send();
	}

	/** Keeps the entry and sends it; resolves to what the server refused, if it did at once. */
	async add(path: string, body: Entry['body']): Promise<Refusal | undefined> {
		const entry = { id: body.id, path, body };
		this.entries.push(entry);
		keep(entry);
		await this.send();
		return this.entries.find((entry) => entry.id === body.id)?.refusal;
	}

	drop(id: string): void {
		this.entries = this.entries.filter((entry) => entry.id !== id);
		localStorage.removeItem(keyOf(id));
	}

	async send(): Promise<void> {
		if (this.#sending) return;
		this.#sending = true;
		clearTimeout(this.#timer);
		for (let entry = this.waiting[0]; entry; entry = this.waiting[0]) {
			const answer = await call<{ entries?: BookEntry[] }>('POST', entry.path, entry.body);
			if (answer.ok) {
				entry.sent = true;
				entry.became = answer.value?.entries ?? [];
				localStorage.removeItem(keyOf(entry.id));
				continue;
			}
			const { status } = answer.refusal;
			const away = status === 0 || status >= 500 || status === 401 || status === 429;
			if (away) {
				this.#later();
				break;
			}
			entry.refusal = answer.refusal;
			keep(entry);
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

function keep(entry: Entry): void {
	try {
		localStorage.setItem(keyOf(entry.id), JSON.stringify(entry));
	} catch {
		// The browser has no room: the entry is on this page still, and is sent all the same.
	}
}

/** Undefined where there is nothing, or nothing that can be read. */
function readable<T>(text: string | null): T | undefined {
	try {
		return text === null ? undefined : (JSON.parse(text) as T);
	} catch {
		return undefined;
	}
}

export const outbox = new Outbox();
