/** How often a fastener does not survive being undone, as the shop has seen it. */

/** How often something did not survive in this shop. */
export interface Undone {
	rust: 'none' | 'light' | 'heavy';
	/** 0: not known. */
	modelYear: number;
	undone: number;
	ruined: number;
}

/** What is usual weighs as much as this many of the shop's own; a car ten years older or newer counts a third. Own choice. */
const usualWeighs = 10;
const yearsThird = 10;

/**
 * The chance that one does not survive: what is usual, and what the shop has seen at this rust, weighed by how
 * near the model years are (a beta prior on a binomial, its counts weighed by 3^(−|Δ years| / 10)).
 *
 * @param usual 0 to 1
 */
export function chanceOfRuin(
	usual: number,
	seen: readonly Undone[],
	{ rust, modelYear }: { rust: Undone['rust']; modelYear: number | null }
): { chance: number; seen: number } {
	let [undone, ruined, all] = [0, 0, 0];
	for (const one of seen.filter((other) => other.rust === rust)) {
		const apart = modelYear && one.modelYear ? Math.abs(modelYear - one.modelYear) : yearsThird;
		const weight = 3 ** (-apart / yearsThird);
		undone += weight * one.undone;
		ruined += weight * one.ruined;
		all += one.undone;
	}
	return { chance: (usual * usualWeighs + ruined) / (usualWeighs + undone), seen: all };
}
