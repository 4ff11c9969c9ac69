import { invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

/**
 * Loads the page's data again. Waits for a navigation under way first: SvelteKit drops a navigation
 * that an invalidation overtakes, and a touch on a link would do nothing. While the server is away the
 * page stays as it is: a failed load would put an error page in its place.
 */
export async function refresh(): Promise<void> {
	while (navigating.to) await new Promise((done) => setTimeout(done, 30));
	const up = await fetch('/api/v1/health').then(
		(answer) => answer.ok,
		() => false
	);
	if (up) await invalidateAll();
}
