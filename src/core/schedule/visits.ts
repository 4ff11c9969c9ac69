/** A schedule as a person lives it: at which place, from when to when, doing what. */

export interface Bar {
	id: string;
	/** Where it is done. */
	spot: string;
	person: number;
	/** Who lends a hand. */
	helper?: number;
	startMin: number;
	endMin: number;
}

/** One stay of one person at one place, without going elsewhere in between. */
export interface Visit {
	spot: string;
	person: number;
	startMin: number;
	endMin: number;
	/** Steps in their order. */
	ids: string[];
}

/** Every stay, by its beginning. */
export function visitsOf(bars: readonly Bar[]): Visit[] {
	const visits: Visit[] = [];
	const last = new Map<number, Visit>();
	for (const { id, spot, person, startMin, endMin } of [...bars].sort(
		(a, b) => a.startMin - b.startMin || a.person - b.person
	)) {
		const here = last.get(person);
		if (here?.spot === spot) {
			here.ids.push(id);
			here.endMin = endMin;
			continue;
		}
		const visit = { spot, person, startMin, endMin, ids: [id] };
		visits.push(visit);
		last.set(person, visit);
	}
	return visits;
}

/** What each person does at a moment, in the order of persons. */
export const busyAt = (bars: readonly Bar[], minute: number): Bar[] =>
	bars
		.filter(({ startMin, endMin }) => startMin <= minute && minute < endMin)
		.sort((a, b) => a.person - b.person);
