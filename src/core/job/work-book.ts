/** The entries of a job's book that count last: of each kind and subject the newest. */
import type { Axle } from '../height/corners.ts';
import type { Entry } from './book/entry.ts';
import type { KindData, KindName } from './kinds/data.ts';

/** The index of each book, made once: what is asked of one entry after the other is asked of the same book. */
const made = new WeakMap<readonly Entry[], WorkBook>();

export class WorkBook {
	/** Of a job's book as it stands now. */
	static of({ entries }: { readonly entries: readonly Entry[] }): WorkBook {
		const known = made.get(entries);
		// A book that is being written has grown since.
		if (known?.length === entries.length) return known;
		const book = new WorkBook(entries);
		made.set(entries, book);
		return book;
	}

	readonly #last = new Map<string, Entry>();
	readonly entries: readonly Entry[];
	readonly length: number;

	constructor(entries: readonly Entry[]) {
		this.entries = entries;
		this.length = entries.length;
		for (const entry of entries) {
			const key = `${entry.kind} ${entry.subject}`;
			// The last written stands last in `of`, too.
			this.#last.delete(key);
			this.#last.set(key, entry);
		}
	}

	entry<K extends KindName>(kind: K, subject = 'car'): Entry<K> | undefined {
		return this.#last.get(`${kind} ${subject}`) as Entry<K> | undefined;
	}

	get<K extends KindName>(kind: K, subject = 'car'): KindData[K] | undefined {
		return this.entry(kind, subject)?.data as KindData[K] | undefined;
	}

	/** What counts of one kind, with its subject. */
	of<K extends KindName>(kind: K): { subject: string; data: KindData[K]; entry: Entry }[] {
		return [...this.#last.values()]
			.filter((entry) => entry.kind === kind)
			.map((entry) => ({ subject: entry.subject, data: entry.data as KindData[K], entry }));
	}

	/** What stood before the entry that counts: for undo. */
	before<K extends KindName>(kind: K, subject: string): KindData[K] | undefined {
		const all = this.entries.filter((entry) => entry.kind === kind && entry.subject === subject);
		return all.at(-2)?.data as KindData[K] | undefined;
	}
}

export const axles: readonly Axle[] = ['front', 'rear'];
