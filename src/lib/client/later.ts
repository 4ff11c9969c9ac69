/**
 * Parts of a page that are not in its first load. They are fetched when the page has nothing better to do, so
 * that they are there when they are wanted, also where the network has gone by then. Call these while a
 * component is made.
 */
import { onMount } from 'svelte';

function idle(work: () => void): void {
	const whenIdle = globalThis.requestIdleCallback ?? setTimeout;
	whenIdle(work);
}

/** Wanted when somebody touches something. @returns fetches it at once, where it is not here yet */
export function later<Part>(fetch: () => Promise<Part>): () => Promise<Part> {
	onMount(() => idle(() => void fetch().catch(() => {})));
	return fetch;
}

/** Drawn as soon as it is here; where it cannot be fetched, not at all. */
export function whenIdle<Part>(fetch: () => Promise<Part>): Promise<Part> {
	return new Promise((resolve) => {
		onMount(() => idle(() => void fetch().then(resolve, () => {})));
	});
}
