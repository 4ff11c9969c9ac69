import type { Entry } from '$core/job/book/entry';
import { invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

/** A page that holds a job's book itself. */
interface Holder {
	jobId: string;
	take: (entries: readonly Entry[]) => Promise<boolean>;
}

let holder: Holder | undefined;

/** The page with this job's book says how it takes more of it. For use in an `$effect`. @returns ends it */
export function holdBook(own: Holder): () => void {
	holder = own;
	return () => {
		if (holder === own) holder = undefined;
	};
}

/**
 * Entries of a job's book that the server has: taken by the page that shows it; any other page is loaded
 * again.
 * @returns false when the page could not get them
 */
export async function taken(jobId: string, entries: readonly Entry[]): Promise<boolean> {
	if (holder?.jobId === jobId) return holder.take(entries);
	return refresh();
}

/**
 * Loads the data on screen again. Waits for a navigation under way first: SvelteKit drops a navigation
 * that an invalidation overtakes, and a touch on a link would do nothing.
 */
export async function refresh(): Promise<boolean> {
	while (navigating.to) await new Promise((done) => setTimeout(done, 30));
	await invalidateAll();
	return true;
}
