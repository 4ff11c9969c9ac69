import { invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

/**
 * Loads the page's data again. Waits for a navigation under way first: SvelteKit drops a navigation
 * that an invalidation overtakes, and a touch on a link would do nothing.
 */
export async function refresh(): Promise<void> {
	while (navigating.to) await new Promise((done) => setTimeout(done, 30));
	await invalidateAll();
}
