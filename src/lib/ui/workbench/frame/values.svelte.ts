import { findUnit, type Dimension } from '$core/units/dimensions';
import { parseNumber, parseQuantity } from '$core/units/parse';
import type { PersonalUnits } from '$core/units/personal';

/** A number on a bench. Typed in any unit; kept, shared in the link and computed with in SI. */
export interface NumberEntry {
	key: string;
	label: string;
	/** What it measures, if people have a choice of units for it. */
	dimension?: Dimension;
	/** The unit it always has, where it has one. */
	unit?: string;
	initial: number;
	min: number;
	max: number;
	/** Decimals to write when it is set by hand or converted; those of the unit if absent. */
	decimals?: number;
	hint?: string;
}

/** One of a few, or a text of several lines. */
export interface TextEntry {
	key: string;
	label: string;
	initial: string;
	/** The values it may have; any text if absent. */
	options?: readonly string[];
}

/** The longest text that still goes into a link. */
const longestLink = 4000;

/** What is set on a bench: texts as typed, numbers as understood, and the link that brings both back. */
export class BenchValues {
	readonly entries: readonly NumberEntry[];
	readonly texts: readonly TextEntry[];
	readonly #units: PersonalUnits;
	/** As typed, by key. */
	typed = $state<Record<string, string>>({});
	/** Of the text entries, by key. */
	text = $state<Record<string, string>>({});
	readonly #good: Record<string, number> = {};

	constructor(
		units: PersonalUnits,
		query: URLSearchParams,
		entries: readonly NumberEntry[],
		texts: readonly TextEntry[] = []
	) {
		this.#units = units;
		this.entries = entries;
		this.texts = texts;
		for (const entry of entries) {
			const given = query.get(entry.key);
			// eslint-disable-next-line no-restricted-syntax -- of a link, as it was written there
			const value = given === null || given === '' ? NaN : Number(given);
			const inside = value >= entry.min && value <= entry.max;
			this.#good[entry.key] = inside ? value : entry.initial;
			this.typed[entry.key] = this.#write(entry, this.#good[entry.key]!);
		}
		for (const entry of texts) {
			const given = query.get(entry.key);
			const known = given !== null && (!entry.options || entry.options.includes(given));
			this.text[entry.key] = known ? given : entry.initial;
		}
	}

	readonly #read = $derived.by(() => {
		const si: Record<string, number> = {};
		const faults: Record<string, string> = {};
		for (const entry of this.entries) {
			const { key, label, dimension, unit, min, max } = entry;
			const typed = this.typed[key]!;
			const result = dimension
				? parseQuantity(typed, dimension, {
						field: label,
						defaultUnit: this.#units.choice[dimension],
						min,
						max
					})
				: parseNumber(typed, { field: label, unit, min, max });
			if (result.ok) {
				this.#good[key] = typeof result.value === 'number' ? result.value : result.value.si;
			} else faults[key] = result.faults[0]!.message;
			si[key] = this.#good[key]!;
		}
		return { si, faults };
	});

	/** A number in SI; the last good one while what is typed is not understood. */
	num(key: string): number {
		return this.#read.si[key]!;
	}

	/** Several by name, as a computation wants them. */
	nums(...keys: string[]): Record<string, number> {
		return Object.fromEntries(keys.map((key) => [key, this.num(key)]));
	}

	fault(key: string): string | undefined {
		return this.#read.faults[key];
	}

	get anyFault(): boolean {
		return Object.keys(this.#read.faults).length > 0;
	}

	/** Sets a number from a drawing, inside what it may be. */
	set(key: string, si: number): void {
		const entry = this.#entry(key);
		this.typed[key] = this.#write(entry, Math.min(entry.max, Math.max(entry.min, si)));
	}

	#entry(key: string): NumberEntry {
		const entry = this.entries.find((one) => one.key === key);
		if (!entry) throw new Error(`no entry ${key} on this bench`);
		return entry;
	}

	#write(entry: NumberEntry, si: number): string {
		const { dimension } = entry;
		const unit = dimension && findUnit(this.#units.choice[dimension], dimension);
		const value = dimension ? this.#units.number(si, dimension) : si;
		// What cannot be written with the usual decimals keeps the ones it needs.
		const decimals = entry.decimals ?? unit?.decimals ?? 2;
		return String(Number(value.toFixed(unit && unit.toSi !== 1 ? decimals + 1 : decimals)));
	}

	/** The unit a number is read in here. */
	unitOf({ dimension, unit = '' }: NumberEntry): string {
		return dimension ? this.#units.choice[dimension] : unit;
	}

	reset(): void {
		for (const entry of this.entries) this.typed[entry.key] = this.#write(entry, entry.initial);
		for (const entry of this.texts) this.text[entry.key] = entry.initial;
	}

	/** Everything that differs from the start, for the link. */
	query(): Record<string, string> {
		const query: Record<string, string> = {};
		for (const { key, initial } of this.entries) {
			const value = this.num(key);
			if (Math.abs(value - initial) > 1e-9 * Math.max(1, Math.abs(initial))) {
				query[key] = String(Number(value.toPrecision(10)));
			}
		}
		for (const { key, initial } of this.texts) {
			const value = this.text[key]!;
			if (value !== initial && value.length <= longestLink) query[key] = value;
		}
		return query;
	}
}
