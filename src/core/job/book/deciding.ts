/**
 * What is only needed where something is decided: a good part of the script, and nothing is drawn with it. Whoever
 * reads commands has it (`command.ts` brings `deciders.ts`).
 */
import type * as Deciders from './deciders.ts';

let known: typeof Deciders.deciders | undefined;

export function putDeciders(deciders: typeof Deciders.deciders): void {
	known = deciders;
}

/** @throws where nobody has put them: a programming error */
export function deciding(): typeof Deciders.deciders {
	if (!known) throw new Error('Nothing is here yet that decides.');
	return known;
}
