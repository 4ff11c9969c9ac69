import { v7 as uuidv7 } from 'uuid';

const storageKey = 'vane-device';
let known: string | undefined;

/** This browser, by a name of its own that outlives a reload: what it sends one after the other it knows. */
export function thisDevice(): string {
	if (known) return known;
	try {
		known = localStorage.getItem(storageKey) ?? uuidv7();
		localStorage.setItem(storageKey, known);
	} catch {
		// No storage: a name for as long as the page lives.
		known ??= uuidv7();
	}
	return known;
}
