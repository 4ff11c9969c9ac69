/**
 * Parts of a page that are not in its first load. They are fetched when the page has nothing better to do, so
 * that they are there when they are wanted, also where the network has gone by then. Call these while a
 * component is made.
 */
import { onMount } from 'svelte';

/** A page that is never idle still gets its parts, ms. */
const busyMs = 2000;
/** Between two tries to fetch a part, ms. */
const againMs = 3000;

/** @returns takes it back: a page that is gone fetches nothing any more */
function idle(work: () => void): () => void {
	if (!('requestIdleCallback' in globalThis)) {
		const timer = setTimeout(work);
		return () => clearTimeout(timer);
	}
	const handle = requestIdleCallback(work, { timeout: busyMs });
	return () => cancelIdleCallback(handle);
}

/** Wanted when somebody touches something. @returns fetches it at once, where it is not here yet */
export function later<Part>(fetch: () => Promise<Part>): () => Promise<Part> {
	onMount(() => idle(() => void fetch().catch(() => {})));
	return fetch;
}

/** Drawn as soon as it is here; where it cannot be fetched, it is tried again while the page stands. */
export function whenIdle<Part>(fetch: () => Promise<Part>): Promise<Part> {
	return new Promise((resolve) => {
		onMount(() => {
			let timer: ReturnType<typeof setTimeout> | undefined;
			let gone = false;
			const ask = () =>
				void fetch().then(resolve, () => {
					if (!gone) timer = setTimeout(ask, againMs);
				});
			const leave = idle(ask);
			return () => {
				gone = true;
				leave();
				clearTimeout(timer);
			};
		});
	});
}
