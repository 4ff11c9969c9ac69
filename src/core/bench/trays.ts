/** Fasteners that came out, where they lie, and whether they all went back. */

export interface TrayItem {
	id: string;
	/** Place in the tray map, as `A3`; `hole` for what went loosely back into its own hole. */
	place: string;
	name: string;
	count: number;
	lengthMm?: number;
	/** How many went back, or were replaced by new ones. */
	back: number;
	/** Why fewer or more went back than came out. */
	reason?: string;
}

/** Not in a tray: it went back into its own hole at once. */
export const inItsHole = 'hole';

export interface TrayFault {
	id: string;
	words: string;
}

/** What is left over or missing, line by line; a written reason settles a line. */
export function trayFaults(items: readonly TrayItem[]): TrayFault[] {
	return items
		.filter(({ count, back, reason, place }) => count !== back && !reason && place !== inItsHole)
		.map(({ id, place, name, count, back }) => ({
			id,
			words:
				back < count
					? `${name} (tray ${place}): ${count - back} of ${count} not back`
					: `${name} (tray ${place}): ${back} back, ${count} came out`
		}));
}

/** Places where fasteners of different length lie together. */
export function mixedPlaces(items: readonly TrayItem[]): string[] {
	const lengths = new Map<string, Set<number>>();
	for (const { place, lengthMm } of items) {
		if (lengthMm === undefined || place === inItsHole) continue;
		lengths.set(place, (lengths.get(place) ?? new Set()).add(lengthMm));
	}
	return [...lengths].filter(([, set]) => set.size > 1).map(([place]) => place);
}

/** The next free place: A1 … A6, B1 … */
export function nextPlace(taken: readonly string[]): string {
	for (let i = 0; ; i++) {
		const place = `${String.fromCharCode(65 + (Math.floor(i / 6) % 26))}${(i % 6) + 1}`;
		if (!taken.includes(place) || i > 1000) return place;
	}
}
