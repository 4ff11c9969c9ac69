import { refuse } from '../../core/problem.ts';
import canonicalize from 'canonicalize';

/**
 * The same id twice is one thing: a retry finds what the first try made.
 *
 * @param here what is kept under the id
 * @param said what is said to be kept there; only what it names is compared
 * @throws Problem 422 where that is something else
 */
export function sameOrRefused(id: string, here: object, said: object): void {
	const kept = here as Record<string, unknown>;
	const same = Object.entries(said).every(
		([key, value]) => canonicalize(kept[key] ?? null) === canonicalize(value ?? null)
	);
	if (!same) throw refuse('id', 'is that of something else already', id);
}
