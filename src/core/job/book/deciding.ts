/**
 * What is only needed where something is decided: a good part of the script, and nothing is drawn with it. Whoever
 * reads commands or writes the book has it (`command.ts` and the server bring `deciders.ts`).
 */
import type { checkCompressor } from '../bench-wants.ts';
import type { decideHead } from '../kinds/head/decide.ts';
import type { decideJoint } from '../kinds/joint/decide.ts';
import type { decideOwn } from '../kinds/own/decide.ts';
import type { decideStep } from '../kinds/step/decide.ts';
import type { decideTorque } from '../kinds/torque/decide.ts';
import type { decideTarget } from '../kinds/target/decide.ts';

interface Deciders {
	checkCompressor: typeof checkCompressor;
	decideHead: typeof decideHead;
	decideJoint: typeof decideJoint;
	decideOwn: typeof decideOwn;
	decideStep: typeof decideStep;
	decideTorque: typeof decideTorque;
	decideTarget: typeof decideTarget;
}

let known: Deciders | undefined;

export function putDeciders(deciders: Deciders): void {
	known = deciders;
}

/** @throws where nobody has put them: a programming error */
export function deciding(): Deciders {
	if (!known) throw new Error('Nothing is here yet that decides.');
	return known;
}
