/**
 * The library that schemas are made with, as a page has it: a fifth of the script, and nothing that is
 * drawn needs it. It is fetched when the page stands; what is checked waits for it.
 */
import type JoiModule from 'joi';

/** Set by `fetchJoi`: schemas are made when something is checked, not before. */
let Joi: typeof JoiModule | undefined;
export { Joi as default };

export let joiReady = false;
let fetching: Promise<void> | undefined;

/** Fetches it where it is not there yet; rejects where the network is gone, and may be asked again. */
export function fetchJoi(): Promise<void> {
	fetching ??= import('joi').then(
		(module) => {
			Joi = module.default;
			joiReady = true;
		},
		(reason: unknown) => {
			fetching = undefined;
			throw reason;
		}
	);
	return fetching;
}
