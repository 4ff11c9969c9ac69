/**
 * A book as a page gets it: names that stand in many entries stand once, and so do the keys of their data.
 * Hashes stay behind, since a page proves nothing: about a third of the size.
 */
import type { Entry } from '../../core/job/book/entry.ts';

type Plain = null | boolean | number | string | readonly unknown[] | object;
/** kind, id, subject, person, device, entered, stored after that (ms), seen, corrects, voucher, keys of the data, their values. */
type Row = [
	number,
	string,
	number,
	number,
	number,
	number,
	number,
	number,
	string | null,
	number,
	number,
	Plain[]
];

export interface PackedBook {
	/** Kinds, subjects, ids of people, devices; null for none. */
	words: (string | null)[];
	/** Keys of entries' data, joined by a space. */
	shapes: string[];
	/** In the order of the book, from its first entry on. */
	rows: Row[];
}

/** Gives each thing its place in a list, the same thing the same place. */
class Places<T> {
	readonly list: T[] = [];
	readonly #at = new Map<T, number>();

	of(thing: T): number {
		const known = this.#at.get(thing);
		if (known !== undefined) return known;
		this.#at.set(thing, this.list.length);
		return this.list.push(thing) - 1;
	}
}

/** @param entries a whole book: numbered from 1, without gaps */
export function packBook(entries: readonly Entry[]): PackedBook {
	const words = new Places<string | null>();
	const shapes = new Places<string>();
	const rows = entries.map((entry): Row => {
		const entered = Date.parse(entry.enteredAt);
		const data = entry.data as unknown as Record<string, Plain>;
		return [
			words.of(entry.kind),
			entry.id,
			words.of(entry.subject),
			words.of(entry.personId),
			words.of(entry.device),
			entered,
			Date.parse(entry.storedAt) - entered,
			entry.seen,
			entry.corrects,
			words.of(entry.vouchedBy ?? null),
			shapes.of(Object.keys(data).join(' ')),
			Object.values(data)
		];
	});
	return { words: words.list, shapes: shapes.list, rows };
}

const moment = (ms: number) => new Date(ms).toISOString();

/** The entries, with no hash. */
export function unpackBook({ words, shapes, rows }: PackedBook): Entry[] {
	const keys = shapes.map((shape) => (shape === '' ? [] : shape.split(' ')));
	return rows.map(
		(
			[kind, id, subject, person, device, entered, after, seen, corrects, voucher, shape, values],
			i
		) =>
			({
				seq: i + 1,
				id,
				kind: words[kind],
				subject: words[subject],
				personId: words[person],
				device: words[device],
				enteredAt: moment(entered),
				storedAt: moment(entered + after),
				...(words[voucher] !== null && { vouchedBy: words[voucher] }),
				seen,
				corrects,
				data: Object.fromEntries(keys[shape]!.map((key, at) => [key, values[at]])),
				hash: ''
			}) as unknown as Entry
	);
}
