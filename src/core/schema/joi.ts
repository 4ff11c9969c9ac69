/** The library that schemas are made with; `#joi` is this file, and in a page `joi.browser.ts`. */
export { default } from 'joi';

/** It is there. */
export const joiReady = true;

/** Fetches it where it is not there yet. */
export async function fetchJoi(): Promise<void> {}
