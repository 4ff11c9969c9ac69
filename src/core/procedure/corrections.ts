/** A row that is never overwritten: a later row may correct or withdraw it by naming it. */
export interface Appended {
	id: string;
	/** The earlier row this one takes the place of. */
	correctsId?: string | null;
	/** The earlier row is taken back and nothing stands in its place. */
	withdrawn?: boolean;
}

/**
 * The rows that count now, each correction in the place of the row it corrects. Two people correcting
 * the same row both stand in the record; the later one counts.
 *
 * @param rows in the order they were written
 */
export function effective<T extends Appended>(rows: readonly T[]): T[] {
	const place = new Map<string, string>();
	const current = new Map<string, T>();
	for (const row of rows) {
		const root = row.correctsId ? (place.get(row.correctsId) ?? row.correctsId) : row.id;
		place.set(row.id, root);
		current.set(root, row);
	}
	return [...current.values()].filter((row) => !row.withdrawn);
}
