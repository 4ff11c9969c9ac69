import { invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

let ownWay: (() => Promise<boolean>) | undefined;

/**
 * A page that holds its data itself says here how it loads them again. For use in an `$effect`.
 * @param reload resolves to false when the server did not answer
 * @returns ends it
 */
export function refreshWith(reload: () => Promise<boolean>): () => void {
	ownWay = reload;
	return () => {
		if (ownWay === reload) ownWay = undefined;
	};
}

/**
 * Loads the data on screen again. Waits for a navigation under way first: SvelteKit drops a navigation
 * that an invalidation overtakes, and a touch on a link would do nothing.
 * @returns false when the server did not answer and what is on screen is older
 */
export async function refresh(): Promise<boolean> {
	while (navigating.to) await new Promise((done) => setTimeout(done, 30));
	if (ownWay) return ownWay();
	await invalidateAll();
	return true;
}
