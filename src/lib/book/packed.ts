/**
 * A book as a page gets it: names that stand in many entries stand once, and so do the keys of their data; ids are short.
 * Hashes stay behind, since a page proves nothing: about a third of the size.
 */
import type { Entry } from '../../core/job/book/entry.ts';

type Plain = null | boolean | number | string | readonly unknown[] | object;

/** What few entries have. */
interface Seldom {
	/** Places in `words`. */
	device?: number;
	voucher?: number;
	corrects?: string;
	/** How many entries before this one its writer had not seen. */
	unseen?: number;
}

/** Values that are those of an earlier row but for some: a joint on the right is the one on the left. */
interface Alike {
	/** The place of the earlier row; alone where nothing differs. */
	as: number;
	/** By their place among the values. */
	but: Record<number, Plain>;
}

type Said = Plain[] | Alike | number;

/**
 * Kind, subject and person by their places in `words`; the id; when it was entered, ms after the entry before
 * it, and stored, ms after that; the keys of its data by their place in `shapes`, and their values.
 */
type Row = [number, number, number, string, number, number, number, Said, Seldom?];

export interface PackedBook {
	/** Kinds, subjects, ids of people, devices. */
	words: string[];
	/** Keys of entries' data, joined by a space. */
	shapes: string[];
	/** In the order of the book, from its first entry on. */
	rows: Row[];
}

/** A UUID in 23 letters instead of 36; what is none stays as it is. */
function packId(id: string): string {
	if (!/^[\da-f]{8}(-[\da-f]{4}){3}-[\da-f]{12}$/.test(id)) return id;
	const bytes = id
		.replaceAll('-', '')
		.match(/../g)!
		.map((pair) => parseInt(pair, 16));
	return `~${btoa(String.fromCharCode(...bytes)).slice(0, 22)}`;
}

/** No kind, subject or name of a device begins as a packed id does. */
function unpackId(packed: string): string {
	if (!/^~[\w+/]{22}$/.test(packed)) return packed;
	const hex = [...atob(packed.slice(1))].map((byte) =>
		byte.charCodeAt(0).toString(16).padStart(2, '0')
	);
	return hex.join('').replace(/^(.{8})(.{4})(.{4})(.{4})/, '$1-$2-$3-$4-');
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

/** How many rows with the same keys are looked at for one that is alike. */
const LOOKED_BACK = 40;
/** What it takes to say that a row is like another, besides what differs. */
const SAYING_SO = '{"as":000,"but":{}}'.length;

/** Finds for each row an earlier one that says most of it already. */
class Likeness {
	readonly #byShape = new Map<number, { row: number; written: string[] }[]>();

	/** @returns the values, or what differs from an earlier row, whichever is shorter to write */
	of(row: number, shape: number, values: Plain[]): Said {
		const written = values.map((value) => JSON.stringify(value));
		const rows = this.#byShape.get(shape) ?? [];
		this.#byShape.set(shape, [...rows, { row, written }].slice(-LOOKED_BACK));
		/** Places of values that are not those of an earlier row, and how long it is to write them. */
		const besides = (earlier: readonly string[]) =>
			written.flatMap((text, at) => (text === earlier[at] ? [] : [at]));
		const long = (places: readonly number[]) =>
			places.reduce((sum, at) => sum + written[at]!.length + String(at).length + 4, 0);
		let best: { as: number; differs: number[] } | undefined;
		let length = written.reduce((sum, text) => sum + text.length + 1, 1) - SAYING_SO;
		for (const earlier of rows) {
			const differs = besides(earlier.written);
			const itsLength = long(differs);
			if (itsLength < length) [best, length] = [{ as: earlier.row, differs }, itsLength];
		}
		if (!best) return values;
		const { as, differs } = best;
		return differs.length
			? { as, but: Object.fromEntries(differs.map((at) => [at, values[at]!])) }
			: as;
	}
}

/** @param entries a whole book: numbered from 1, without gaps */
export function packBook(entries: readonly Entry[]): PackedBook {
	const words = new Places<string>();
	const shapes = new Places<string>();
	const likeness = new Likeness();
	let before = 0;
	const rows = entries.map((entry, at): Row => {
		const { device, vouchedBy, corrects } = entry;
		const entered = Date.parse(entry.enteredAt);
		const data = entry.data as unknown as Record<string, Plain>;
		const unseen = entry.seq - 1 - entry.seen;
		const seldom: Seldom = {
			...(device !== null && { device: words.of(device) }),
			...(vouchedBy !== undefined && { voucher: words.of(vouchedBy) }),
			...(corrects !== null && { corrects }),
			...(unseen !== 0 && { unseen })
		};
		const shape = shapes.of(Object.keys(data).join(' '));
		const row: Row = [
			words.of(entry.kind),
			words.of(entry.subject),
			words.of(entry.personId),
			packId(entry.id),
			entered - before,
			Date.parse(entry.storedAt) - entered,
			shape,
			likeness.of(at, shape, Object.values(data))
		];
		before = entered;
		if (Object.keys(seldom).length) row.push(seldom);
		return row;
	});
	return { words: words.list.map(packId), shapes: shapes.list, rows };
}

/** The entries, with no hash. */
export function unpackBook({ words: packed, shapes, rows }: PackedBook): Entry[] {
	const words = packed.map(unpackId);
	const keys = shapes.map((shape) => (shape === '' ? [] : shape.split(' ')));
	const told: Plain[][] = [];
	let entered = 0;
	return rows.map(([kind, subject, person, id, since, after, shape, said, seldom = {}], i) => {
		entered += since;
		const values =
			typeof said === 'number'
				? told[said]!
				: Array.isArray(said)
					? said
					: Object.assign([...told[said.as]!], said.but);
		told.push(values);
		const { device, voucher, corrects = null, unseen = 0 } = seldom;
		return {
			seq: i + 1,
			id: unpackId(id),
			kind: words[kind],
			subject: words[subject],
			personId: words[person],
			device: device === undefined ? null : words[device],
			enteredAt: new Date(entered).toISOString(),
			storedAt: new Date(entered + after).toISOString(),
			...(voucher !== undefined && { vouchedBy: words[voucher] }),
			seen: i - unseen,
			corrects,
			data: Object.fromEntries(keys[shape]!.map((key, at) => [key, values[at]])),
			hash: ''
		} as unknown as Entry;
	});
}
