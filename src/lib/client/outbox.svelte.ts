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

const storageKey = 'vane-outbox';
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
		try {
			const kept = JSON.parse(localStorage.getItem(storageKey) ?? '[]') as Entry[];
			this.entries = kept.map(ofToday);
		} catch {
			this.entries = [];
		}
		addEventListener('online', () => void this.send());
		void this.send();
	}

	/** Keeps the entry and sends it; resolves to what the server refused, if it did at once. */
	async add(path: string, body: Entry['body']): Promise<Refusal | undefined> {
		this.entries.push({ id: body.id, path, body });
		this.#keep();
		await this.send();
		return this.entries.find((entry) => entry.id === body.id)?.refusal;
	}

	drop(id: string): void {
		this.entries = this.entries.filter((entry) => entry.id !== id);
		this.#keep();
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
				this.#keep();
				continue;
			}
			const { status } = answer.refusal;
			const away = status === 0 || status >= 500 || status === 401 || status === 429;
			if (away) {
				this.#later();
				break;
			}
			entry.refusal = answer.refusal;
			this.#keep();
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

	#keep(): void {
		localStorage.setItem(storageKey, JSON.stringify(this.entries.filter((entry) => !entry.sent)));
	}
}

export const outbox = new Outbox();
